import { escapeAttribute } from '../text/index.ts';

/** One of everything that codes are made of, to see what an editor makes of it. */
export interface SpecimenPiece {
  /** How it is told: `<iframe>`, `style`. */
  name: string;
  /** The element that is looked for; null for a comment, or a link that is text. */
  element: string | null;
  /** What stands in it, as the reading looks for it; null where that does not matter. */
  inside: 'script' | null;
  attributes: readonly string[];
  /** Every element in it, itself among them. */
  elements: readonly string[];
  markup: string;
}

/** What a specimen is made for. */
export interface SpecimenPlace {
  /** By it its marks are known: small letters and digits. */
  token: string;
  /** An address that is served and does nothing: frames, links and files of the specimen have it. */
  address: string;
  /** What the editor is known to want around a code. */
  firstLine?: string;
  lastLine?: string;
}

/** The word before each piece of a specimen, which visitors read. */
export const specimenWord = (token: string, number: number): string =>
  `specimen-${token}-${String(number).padStart(2, '0')}`;

/** What is tried, in its order. Nothing in it does anything. */
export function specimenPieces(address: string): SpecimenPiece[] {
  const at = escapeAttribute(address);
  const file = escapeAttribute(`${address.replace(/\/$/, '')}/specimen.js`);
  const picture = 'data:image/gif;base64,R0lGODlhAQABAAAAACH5BAEKAAEALAAAAAABAAEAAAICTAEAOw==';
  return [
    piece(
      `<div class="specimen" id="specimen" style="color:inherit" title="specimen" lang="en" data-orbis="specimen" data-specimen="yes" aria-label="specimen" specimen="yes">div</div>`,
    ),
    piece(`<p>p <b>b</b> <i>i</i> <em>em</em> <strong>strong</strong> <br></p>`),
    piece(`<span>span</span>`),
    piece(`<a href="${at}" target="_blank" rel="noopener" specimen="yes">a</a>`),
    piece(`<img src="${picture}" alt="" width="1" height="1" loading="lazy" specimen="yes">`),
    piece(
      `<iframe src="${at}" title="specimen" name="specimen" width="320" height="80" loading="lazy" allow="fullscreen" allowfullscreen sandbox="allow-scripts" referrerpolicy="no-referrer" class="specimen" id="specimen-frame" style="border:0" data-orbis="specimen" data-specimen="yes" specimen="yes"></iframe>`,
    ),
    piece(`<iframe srcdoc="&lt;p>specimen&lt;/p>" width="320" height="80"></iframe>`),
    piece(`<script src="${file}" async></script>`),
    piece(`<script>/* specimen */</script>`, 'script'),
    piece(`<style>.specimen{color:inherit}</style>`),
    piece(`<link rel="stylesheet" href="data:text/css,">`),
    piece(`<form action="${at}" method="post"><input type="hidden" name="specimen" value="yes"></form>`),
    piece(`<input type="hidden" name="specimen" value="yes">`),
    piece(`<button type="button">button</button>`),
    piece(`<label for="specimen">label</label>`),
    piece(`<select name="specimen"><option value="a">a</option></select>`),
    piece(`<textarea name="specimen" rows="1">textarea</textarea>`),
    piece(
      `<video src="data:video/webm," controls muted loop playsinline preload="none" poster="${picture}"></video>`,
    ),
    piece(`<audio controls preload="none"><source src="data:audio/webm," type="audio/webm"></audio>`),
    piece(`<object data="${picture}" type="image/gif">object</object>`),
    piece(`<embed src="${picture}" type="image/gif">`),
    piece(`<figure>figure<figcaption>figcaption</figcaption></figure>`),
    piece(`<blockquote cite="${at}">blockquote</blockquote>`),
    piece(`<template><i>template</i></template>`),
    piece(`<noscript>noscript</noscript>`),
    piece(`<svg width="1" height="1"></svg>`),
    piece(`<x-specimen>x-specimen</x-specimen>`),
    bare('<!-- -->', '<!-- specimen -->'),
    bare('link', `\n${address}\n`),
  ];
}

const bare = (name: string, markup: string): SpecimenPiece => ({
  name,
  element: null,
  inside: null,
  attributes: [],
  elements: [],
  markup,
});

/* What a piece is looked for by is read off its own tags. */
function piece(markup: string, inside: 'script' | null = null): SpecimenPiece {
  const element = /^<([\w-]+)/.exec(markup)![1]!;
  const attributes = [...markup.slice(0, markup.indexOf('>')).matchAll(/ ([\w-]+)(?:="[^"]*")?/g)];
  return {
    name: `<${element}>`,
    element,
    inside,
    attributes: attributes.map(([, name]) => name!),
    elements: [...new Set([...markup.matchAll(/<([\w-]+)/g)].map(([, name]) => name!))],
    markup,
  };
}

/**
 * A harmless text with one of everything, to be pasted and published once. Each piece has a word before it
 * that visitors can read; what is left behind which word tells what the editor does.
 */
export function specimen({ token, address, firstLine = '', lastLine = '' }: SpecimenPlace): string {
  const pieces = specimenPieces(address);
  const lines = pieces.map(({ markup }, at) => `<p>${specimenWord(token, at + 1)}</p>\n${markup}`);
  return [
    ...(firstLine === '' ? [] : [firstLine]),
    ...lines,
    `<p>${specimenWord(token, pieces.length + 1)}</p>`,
    ...(lastLine === '' ? [] : [lastLine]),
    '',
  ].join('\n');
}
