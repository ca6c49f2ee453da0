/** The colours and the font of a site, read from the styles of its pages. */
export { coloursIn, type ColourPlace, type UsedColour } from './colours-in-styles.ts';
export { fontIn } from './font-in-styles.ts';
export { stylesOfPage, type PageStyles } from './styles-of-page.ts';
