import { switchType } from '../../options/types/switch.ts';
import { companion } from '../companion.ts';

export const option = companion<boolean>({
  name: 'load-remember',
  type: switchType,
  group: 'loading',
  example: 'on',
  source: 'HTML, section 12.2.2 (sessionStorage: as long as the tab is open)',
});
