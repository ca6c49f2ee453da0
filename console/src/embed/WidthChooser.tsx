import Box from '@mui/material/Box';
import Slider from '@mui/material/Slider';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';

/** The screens that a preview can be as wide as, in px. */
export const screens = {
  phone: { label: 'Phone', width: 390 },
  tablet: { label: 'Tablet', width: 768 },
  desktop: { label: 'Desktop', width: 1280 },
};
type Screen = keyof typeof screens;

/** What a preview begins with: the screen that it is seen on. */
export const screenHere = (): Shown => {
  const screen = window.innerWidth < 600 ? 'phone' : 'desktop';
  return { screen, width: screens[screen].width };
};

/** How a preview is shown: as on a screen, at a width of its own (`null`), or on two of them. */
export interface Shown {
  screen: Screen | 'both' | null;
  width: number;
}

const [narrowest, widest] = [280, 1440];

/** Chooses the width of a preview: that of a screen, any other by a slider, or two side by side. */
export function WidthChooser({
  shown,
  scale,
  onChange,
}: {
  shown: Shown;
  scale: number;
  onChange: (shown: Shown) => void;
}) {
  const choose = (screen: Shown['screen']): void => {
    if (screen !== null) onChange({ screen, width: screen === 'both' ? shown.width : screens[screen].width });
  };
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', mb: 1.5, flexWrap: 'wrap', columnGap: 2, rowGap: 1 }}>
      <ToggleButtonGroup
        size="small"
        exclusive
        value={shown.screen}
        onChange={(_, screen: Shown['screen']) => choose(screen)}
        aria-label="Preview as on"
      >
        {(Object.keys(screens) as Screen[]).map((screen) => (
          <ToggleButton key={screen} value={screen}>
            {screens[screen].label}
          </ToggleButton>
        ))}
        <ToggleButton value="both" sx={{ display: { xs: 'none', sm: 'inline-flex' } }}>
          Side by side
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
        sx={{ flex: 1, minWidth: 60, maxWidth: 220 }}
      />
      <Typography variant="body2" color="textSecondary" noWrap sx={{ ml: 'auto' }}>
        {shown.screen === 'both' ? `${screens.phone.width} and ${screens.desktop.width}` : shown.width} px
        {scale < 1 ? ` · ${Math.round(scale * 100)} %` : ''}
      </Typography>
    </Box>
  );
}
