/** Texts and exact places in them: in go raw characters, out come offsets, decoded values and edits. */
export * from './address.ts';
export * from './attributes.ts';
export { compareTexts, type TextRun } from './compare.ts';
export * from './edit.ts';
export * from './entities.ts';
export { AttributeList } from './attribute-list.ts';
export { changeJson, readJson, takesMembers, type PlainValue } from './json.ts';
export * from './markup.ts';
export { deepest, rawTextElements, voidElements } from './nesting.ts';
export { changePath, readPath, type PathStep } from './path.ts';
export * from './position.ts';
export * from './one-edit.ts';
export * from './styles.ts';
export { readXml } from './xml.ts';
export { isSelector } from './selector.ts';
