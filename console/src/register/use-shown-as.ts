import useMediaQuery from '@mui/material/useMediaQuery';

/** How the register is shown. */
export type ShownAs = 'table' | 'list';

/** How the register is shown, as its address says; on a phone there is room for a list only. */
export function useShownAs(search: URLSearchParams): { as: ShownAs; isChoice: boolean } {
  const isWide = useMediaQuery('(min-width: 900px)');
  return { as: isWide && search.get('as') !== 'list' ? 'table' : 'list', isChoice: isWide };
}
