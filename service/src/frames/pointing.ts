import { inPageMarks } from '@orbis/core';
import { isOfItScript } from './bounds.ts';

/**
 * What a preview in a page runs of ours: it shows where the pointer would put the embed, tells the console
 * where it was put, and keeps the page’s own links and forms from leading away. What is between two comments
 * is the embed, which is left to itself.
 */
export const pointingScript = `(() => {
  const { to } = document.currentScript.dataset;
  const inPage = true;
  ${isOfItScript}
  const placeAt = ({ target, clientY }) => {
    const element = target.closest?.('[data-orbis-place]');
    if (!element || isOfIt(element)) return null;
    const box = element.getBoundingClientRect();
    const side = clientY < box.top + box.height / 2 ? 'before' : 'after';
    return { at: Number(element.dataset.orbisPlace), side, box };
  };
  const line = document.createElement('div');
  line.style.cssText = 'all:initial;position:fixed;z-index:2147483647;height:4px;border-radius:2px;background:#b8541a;pointer-events:none;display:none';
  addEventListener('mousemove', (event) => {
    const place = placeAt(event);
    if (!line.isConnected) document.documentElement.append(line);
    line.style.display = place ? 'block' : 'none';
    if (!place) return;
    const { box, side } = place;
    Object.assign(line.style, { left: box.left + 'px', width: box.width + 'px', top: (side === 'before' ? box.top - 4 : box.bottom) + 'px' });
  });
  document.documentElement.addEventListener('mouseleave', () => (line.style.display = 'none'));
  addEventListener('click', (event) => {
    if (isOfIt(event.target)) return;
    event.preventDefault();
    const place = placeAt(event);
    if (place) parent.postMessage({ orbis: 'place', at: place.at, side: place.side }, to);
  }, true);
  addEventListener('submit', (event) => isOfIt(event.target) || event.preventDefault(), true);
  addEventListener('DOMContentLoaded', () => {
    const comments = document.createTreeWalker(document, NodeFilter.SHOW_COMMENT);
    while (comments.nextNode() && comments.currentNode.data !== '${inPageMarks[0]}');
    let at = comments.currentNode;
    while (at && at.nodeType !== Node.ELEMENT_NODE) at = at.nextSibling;
    at?.scrollIntoView({ block: 'center' });
  });
})();
`;
