/** What placed embeds load from elsewhere, and what is wrong with how it answers. */
export { resourcesIn, resourceUses, type Clip, type Resource, type ResourceUse } from './resources-in.ts';
export {
  isFailure,
  judgeResource,
  type Asked,
  type MediaAnswer,
  type ResourceAnswer,
  type ResourceFinding,
} from './judge-resource.ts';
export { judgeClip, type ClipFinding } from './judge-clip.ts';
export { fittingFilm, fitsRoom, type FilmSize, type FittingFilm } from './fitting-film.ts';
