import { contribution, problem, type Option } from '../options/option.ts';
import { reason } from '../reason.ts';
import { switchType } from '../options/types/switch.ts';
import { hostOf } from '../reading/addresses.ts';
import { targetOf } from './targets.ts';

export const option: Option<boolean> = {
  name: 'privacy',
  stage: 'settings',
  type: switchType,
  kinds: ['video', 'audio', 'map'],
  example: 'on',
  source: 'observed: providers serve the same item from a host that keeps nothing in visitors’ browsers',
  isOffered: (sheet) => sheet?.privacyHost !== undefined,
  current: (code) => {
    const { sheet } = code;
    if (!sheet?.privacyHost) return null;
    const [address] = targetOf(code, sheet, {})?.addresses ?? [];
    const host = address && hostOf(address.url);
    return host === sheet.privacyHost.host ? true : host === sheet.privacyHost.instead ? false : null;
  },
  contribute: (code, isPrivate) => {
    const { sheet } = code;
    const setting = 'privacy';
    if (!sheet) return problem('no-sheet', { setting });
    if (!sheet.privacyHost) return problem('setting-not-offered', { setting, provider: sheet.name });
    const target = targetOf(code, sheet, {});
    if (!target) return problem('part-missing', { setting, part: 'frame' });
    const { host, instead } = sheet.privacyHost;
    const [from, to] = isPrivate ? [instead, host] : [host, instead];
    return contribution(
      target.addresses.map((address) => ({
        kind: 'host',
        address,
        from,
        to,
        reason: reason(isPrivate ? 'use-privacy-host' : 'use-usual-host', { host: to }),
      })),
    );
  },
};
