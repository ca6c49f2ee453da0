import Box from '@mui/material/Box';
import { useState, type MouseEvent, type ReactNode } from 'react';
import type { PageArea, PageSurvey } from '@orbis/contract';
import { areaAt } from './areas.ts';

/** A spot in the picture, with what is in it. */
export interface ShownSpot {
  name: string;
  area: PageArea;
  embeds: string[];
}

/** A published page as a picture, its spots outlined; an area of it is chosen by pointing at it. */
export function PictureOfSpots({
  survey: { picture, areas },
  title,
  spots,
  chosen,
  onChoose,
}: {
  survey: PageSurvey;
  title: string;
  spots: readonly ShownSpot[];
  chosen: PageArea | null;
  onChoose: (area: PageArea) => void;
}) {
  const [under, setUnder] = useState<PageArea | null>(null);
  const point = (event: MouseEvent<HTMLElement>): PageArea | null => {
    const { left, top, width } = event.currentTarget.getBoundingClientRect();
    const scale = picture.width / width;
    return areaAt(areas, { x: (event.clientX - left) * scale, y: (event.clientY - top) * scale });
  };
  const pick = (event: MouseEvent<HTMLElement>): void => {
    const area = point(event);
    if (area) onChoose(area);
  };
  return (
    <Box
      sx={{ maxHeight: '75vh', overflowY: 'auto', border: 1, borderColor: 'divider', borderRadius: 1 }}
      tabIndex={0}
      role="group"
      aria-label={`Picture of ${title}`}
    >
      <Box
        sx={{ position: 'relative', cursor: 'crosshair' }}
        onPointerMove={(event) => setUnder(point(event))}
        onPointerLeave={() => setUnder(null)}
        onClick={pick}
      >
        <Box
          component="img"
          src={`data:${picture.type};base64,${picture.data}`}
          alt={`${title} as a desktop shows it`}
          sx={{ display: 'block', width: '100%' }}
        />
        {spots.map(({ name, area, embeds }) => (
          <Outline key={name} area={area} picture={picture} sx={{ outline: 2, outlineColor: 'primary.main' }}>
            <Box component="span" sx={nameplate}>
              <strong>{name}</strong>
              {embeds.length > 0 && `: ${embeds.join(', ')}`}
            </Box>
          </Outline>
        ))}
        {under && <Outline area={under} picture={picture} sx={{ outline: 2, outlineStyle: 'dashed' }} />}
        {chosen && (
          <Outline
            area={chosen}
            picture={picture}
            sx={{ outline: 3, outlineColor: 'warning.main', bgcolor: 'rgb(255 200 80 / 18%)' }}
          />
        )}
      </Box>
    </Box>
  );
}

const nameplate = {
  position: 'absolute',
  top: 0,
  left: 0,
  maxWidth: '100%',
  px: 0.75,
  bgcolor: 'primary.main',
  color: 'primary.contrastText',
  typography: 'caption',
  overflow: 'hidden',
  textOverflow: 'ellipsis',
  whiteSpace: 'nowrap',
} as const;

/* In per cent of the picture, so that it fits at every size. */
function Outline({
  area: { box },
  picture,
  sx,
  children,
}: {
  area: PageArea;
  picture: PageSurvey['picture'];
  sx: object;
  children?: ReactNode;
}) {
  const share = (part: number, whole: number): string => `${(100 * part) / whole}%`;
  return (
    <Box
      style={{
        left: share(box.left, picture.width),
        top: share(box.top, picture.height),
        width: share(box.width, picture.width),
        height: share(box.height, picture.height),
      }}
      sx={{ position: 'absolute', pointerEvents: 'none', outlineOffset: -2, outlineStyle: 'solid', ...sx }}
    >
      {children}
    </Box>
  );
}
