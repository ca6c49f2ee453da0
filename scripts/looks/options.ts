import type { Options } from '@orbis/core';
import type { LooksOf } from './codes.ts';

/** What an option is seen on: a code, and all that is asked of it. */
export interface Look {
  of: LooksOf;
  options: Options;
  /** Whether it stands in a section with words of its own. */
  inSection?: boolean;
}

const film = (options: Options): Look => ({ of: 'film', options: { fit: 'shape', ...options } });
const map = (options: Options): Look => ({ of: 'map', options });
const still = (port: number): string => `http://kinorill.localhost:${port}/kinorill/still.webp`;
const crop: Options = { 'crop-left': 200, 'crop-top': 140, 'crop-width': 260, 'crop-height': 170 };
const link = 'https://hollinfell.example/films';

/** Each option of presentation as it is seen; those that show nothing by themselves are null. */
export const optionLooks = (port: number): Readonly<Record<string, Look | null>> => ({
  'fit': film({}),
  'shape': film({ shape: { width: 21, height: 9 } }),
  'share': film({ share: 60 }),
  'max-width': film({ 'max-width': 300 }),
  'min-width': film({ 'share': 20, 'min-width': 240 }),
  'align': film({ 'max-width': 260, 'align': 'centre' }),
  'load': map({ fit: 'shape', shape: { width: 16, height: 9 }, load: 'click' }),
  'still': film({ load: 'click', still: still(port) }),
  'still-also': null,
  'load-words': film({ 'load': 'click', 'load-words': 'Watch the film' }),
  'load-remember': null,
  'heights': null,
  'heading': film({ 'heading': 'Night on the moor', 'max-width': 340 }),
  'heading-level': film({ 'heading': 'Night on the moor', 'heading-level': 4, 'max-width': 340 }),
  'heading-align': film({ 'heading': 'Night on the moor', 'heading-align': 'centre' }),
  'caption': film({ 'caption': 'Filmed from the Hollinfell ridge', 'max-width': 340 }),
  'link-below': film({ 'link-below': link, 'max-width': 340 }),
  'link-below-words': film({ 'link-below': link, 'link-below-words': 'Plan your visit', 'max-width': 340 }),
  'fallback': film({ 'fallback': true, 'max-width': 340 }),
  'backdrop': film({ backdrop: '#24382f' }),
  'backdrop-padding': film({ 'backdrop': '#24382f', 'backdrop-padding': 48 }),
  'backdrop-reach': film({ 'backdrop': '#24382f', 'backdrop-reach': 'page' }),
  'whole-link': null,
  'whole-link-name': null,
  'whole-link-opens': null,
  'tint': film({ tint: '#3a1d4d' }),
  'tint-strength': film({ 'tint': '#3a1d4d', 'tint-strength': 80 }),
  'words-over': film({ 'tint': '#1d2b24', 'tint-strength': 60, 'words-over': 'Open every day until dusk' }),
  'band': { of: 'film', options: { band: 200 } },
  'band-focus-x': { of: 'film', options: { 'band': 270, 'band-focus-x': 90 } },
  'band-focus-y': { of: 'film', options: { 'band': 140, 'band-focus-y': 85 } },
  'band-behind': { of: 'film', options: { 'band': 200, 'band-behind': true }, inSection: true },
  'space-above': film({ 'space-above': 48, 'max-width': 340 }),
  'space-below': film({ 'space-below': 48, 'max-width': 340 }),
  'space-beside': film({ 'space-beside': 48 }),
  'corners': film({ corners: 24 }),
  'border': film({ border: 4 }),
  'border-colour': film({ 'border': 4, 'border-colour': '#aa3355' }),
  'shadow': film({ 'shadow': 'strong', 'max-width': 340 }),
  'crop-left': map({ ...crop, 'crop-left': 0 }),
  'crop-top': map({ ...crop, 'crop-top': 300 }),
  'crop-width': map({ ...crop, 'crop-width': 420 }),
  'crop-height': map(crop),
  'crop-scale': map({ ...crop, 'crop-scale': 150 }),
  'leave-out': { of: 'form', options: { 'leave-out': ['heading'] } },
});
