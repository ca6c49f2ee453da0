/*
 * Tells the page around a document how high it is, in px, as `{ orbis: height }` by a message (HTML, section
 * 9.3). Stands at the end of a framed document; `npm run loader` makes the small form of it in
 * core/src/visitors.
 *
 * Content with `100vh` and anything more grows each time its frame does, for ever: a growth within the frame
 * of animation in which the window was resized is taken for that. The fourth one in a row is not told, now or
 * later.
 */
(function (body) {
  let told = 0;
  let untold = 0;
  let inARow = 0;
  let isResized = false;

  const say = () => parent.postMessage({ orbis: told }, '*');
  const tell = () => {
    const height = Math.ceil(Math.max(body.getBoundingClientRect().height, body.scrollHeight));
    if (height === told || height === untold) return;
    if (isResized && height > told && ++inARow > 3) {
      untold = height;
      return;
    }
    if (!isResized) inARow = 0;
    told = height;
    say();
  };

  addEventListener('resize', () => {
    isResized = true;
    requestAnimationFrame(() => setTimeout(() => (isResized = false)));
  });
  new ResizeObserver(tell).observe(body);
  addEventListener('load', tell);
  // What was said before anybody listened is said once more.
  setTimeout(say, 1000);
  document.fonts.ready.then(tell);
})(document.body);
