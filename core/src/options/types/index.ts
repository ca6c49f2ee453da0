export { typeNames, type Limits, type OptionType, type TypeName } from './type.ts';
export { choiceType } from './choice.ts';
export { colourType, parseColour } from './colour.ts';
export { coordinatesType, formatCoordinates, parseCoordinates } from './coordinates.ts';
export { numberType } from './number.ts';
export { ratioType } from './ratio.ts';
export { parseSwitch, switchType } from './switch.ts';
export { textType } from './text.ts';
export { formatTime, parseTime, timeType } from './time.ts';
