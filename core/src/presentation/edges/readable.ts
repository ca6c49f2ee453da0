/**
 * White or near-black, whichever reads better on a colour (WCAG 2.2, relative luminance: above 0.18 the dark
 * one has the higher contrast).
 */
export const readableOn = (colour: string): '#ffffff' | '#1a1a1a' =>
  luminance(colour) > 0.18 ? '#1a1a1a' : '#ffffff';

function luminance(colour: string): number {
  const [red, green, blue] = [1, 3, 5].map((at) =>
    linear(Number.parseInt(colour.slice(at, at + 2), 16) / 255),
  );
  return 0.2126 * red! + 0.7152 * green! + 0.0722 * blue!;
}

const linear = (part: number): number => (part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4);
