import ButtonBase from '@mui/material/ButtonBase';
import { Swatch } from './Swatch.tsx';

/** A colour that can be chosen. */
export const SwatchButton = ({
  colour,
  label = colour,
  chosen,
  onChoose,
}: {
  colour: string;
  label?: string;
  chosen: boolean;
  onChoose: () => void;
}) => (
  <ButtonBase
    aria-label={label}
    aria-pressed={chosen}
    onClick={onChoose}
    sx={{
      'p': 0.5,
      'borderRadius': '50%',
      '&[aria-pressed=true]': { outline: '2px solid', outlineOffset: -1 },
    }}
  >
    <Swatch colour={colour} />
  </ButtonBase>
);
