/*
 * Makes frames as high as what is in them says it is. Pasted once a page; `npm run loader` makes the small
 * form of it in core/src/visitors.
 *
 * A frame that is to be as high as its content has `data-orbis-height` with the member of the messages in
 * which its document says so (`orbis`, or `size.height` of a provider); only what its own window says counts,
 * at most 10,000 px, once in a frame of animation.
 */
(function (page) {
  // A second copy on the page has nothing to do.
  if (page.orbisHeights) return;
  page.orbisHeights = new Map();
  const most = 10000;

  const apply = () => {
    for (const [frame, height] of page.orbisHeights) {
      // Laid over a box, it is as high as that.
      let box = frame;
      while (getComputedStyle(box).position === 'absolute' && box.parentElement) box = box.parentElement;
      if (box === frame) frame.style.setProperty('height', height + 'px', 'important');
      else box.style.minHeight = height + 'px';
    }
    page.orbisHeights.clear();
  };

  addEventListener('message', ({ source, data }) => {
    for (const frame of page.querySelectorAll('iframe[data-orbis-height]')) {
      if (frame.contentWindow !== source) continue;
      let said = data;
      try {
        if (typeof said === 'string') said = JSON.parse(said);
        for (const member of frame.getAttribute('data-orbis-height').split('.')) said = said[member];
      } catch {
        return;
      }
      const height = Math.min(Math.ceil(parseFloat(said)), most);
      if (!(height > 0)) return;
      if (!page.orbisHeights.size) requestAnimationFrame(apply);
      page.orbisHeights.set(frame, height);
    }
  });
})(document);
