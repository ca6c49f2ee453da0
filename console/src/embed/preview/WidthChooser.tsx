import Box from '@mui/material/Box';
import Slider from '@mui/material/Slider';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

/** How wide something is on each screen, in px. */
export type Widths = Readonly<Record<Screen, number>>;
type Screen = 'phone' | 'tablet' | 'desktop';

/** The screens themselves. */
export const screenWidths: Widths = { phone: 390, tablet: 768, desktop: 1280 };

const labels: Readonly<Record<Screen, string>> = { phone: 'Phone', tablet: 'Tablet', desktop: 'Desktop' };

/** What a preview begins with: the screen that it is seen on. */
export const screenHere = (): Shown => {
  const screen = window.innerWidth < 600 ? 'phone' : 'desktop';
  return { screen, width: screenWidths[screen] };
};

/** How a preview is shown: as on a screen, at a width of its own (`null`), or on two of them. */
export interface Shown {
  screen: Screen | 'both' | null;
  width: number;
}

const [narrowest, widest] = [280, 1440];

/** A width that a preview can have. */
export const clamped = (width: number): number => Math.min(widest, Math.max(narrowest, width));

/** Chooses the width of a preview: that of a screen, any other by a slider, or two side by side. */
export function WidthChooser({
  shown,
  widths,
  scale,
  onChange,
  children,
}: {
  shown: Shown;
  /** How wide it is on each screen. */
  widths: Widths;
  scale: number;
  onChange: (shown: Shown) => void;
  /** What stands at the end of the row. */
  children: ReactNode;
}) {
  const choose = (screen: Shown['screen']): void => {
    if (screen !== null) onChange({ screen, width: screen === 'both' ? shown.width : widths[screen] });
  };
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', mb: 1.5, flexWrap: 'wrap', columnGap: 1.5, rowGap: 1 }}>
      <ToggleButtonGroup
        size="small"
        exclusive
        value={shown.screen}
        onChange={(_, screen: Shown['screen']) => choose(screen)}
        aria-label="Preview as on"
      >
        {(Object.keys(labels) as Screen[]).map((screen) => (
          <ToggleButton key={screen} value={screen}>
            {labels[screen]}
          </ToggleButton>
        ))}
        <ToggleButton value="both" sx={{ display: { xs: 'none', sm: 'inline-flex' } }}>
          Both
        </ToggleButton>
      </ToggleButtonGroup>
      <Slider
        size="small"
        aria-label="Width of the preview, in px"
        min={narrowest}
        max={widest}
        value={shown.width}
        disabled={shown.screen === 'both'}
        onChange={(_, width) => onChange({ screen: null, width })}
        sx={{ flex: 1, minWidth: 40, maxWidth: 180 }}
      />
      <Typography variant="body2" color="textSecondary" noWrap>
        {shown.screen === 'both' ? `${widths.phone} and ${widths.desktop}` : shown.width} px
        {scale < 1 ? ` · ${Math.round(scale * 100)} %` : ''}
      </Typography>
      {children}
    </Box>
  );
}
