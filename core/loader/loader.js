/*
 * Shows codes that wait in a template: when their button is pressed, when they come near, or when the page
 * allows them. Pasted once a page; `npm run loader` makes the small form of it in core/src/visitors.
 *
 * A waiting code stands in an element with `data-orbis-load` (`click`, `near` or `allow`), as a `template`
 * beside what stands in its place. `data-orbis-for` names what it is, in words that the page can allow:
 * `<html data-orbis-allow="mapmere video">`, or `all`, and an event `orbis-allow` on the document after each
 * change of that. With `data-orbis-remember`, pressing one shows others of its first word for this visit.
 */
(function (page, root) {
  // A second copy on the page has nothing to do.
  if (window.orbis) return;

  const words = (text) => (text || '').split(/\s+/).filter(Boolean);
  const attribute = (box, name) => box.getAttribute('data-orbis-' + name);

  // Storage can be shut: then nothing is remembered.
  const remembered = (add) => {
    try {
      if (add) sessionStorage.orbis = (sessionStorage.orbis || '') + ' ' + add;
      return words(sessionStorage.orbis);
    } catch {
      return [];
    }
  };

  /* Scripts run one after the other, as if the page had brought them: one with an address is waited for,
     unless it says that nobody needs to. */
  const runScripts = (scripts) => {
    const old = scripts.shift();
    if (!old) return;
    const next = () => runScripts(scripts);
    const script = page.createElement('script');
    for (const { name, value } of old.attributes) script.setAttribute(name, value);
    script.text = old.text;
    const waits = script.src && !old.hasAttribute('async');
    script.async = !waits;
    if (waits) script.onload = script.onerror = next;
    old.replaceWith(script);
    if (!waits) next();
  };

  const show = (box, isPressed) => {
    const template = box.querySelector(':scope>template');
    if (!template) return;
    box.innerHTML = template.innerHTML;
    box.removeAttribute('data-orbis-load');
    runScripts([...box.querySelectorAll('script')]);
    if (!isPressed) return;
    // The button is gone: whoever pressed it by key goes on from here.
    const shown = box.querySelector('iframe,video,audio,input') || box;
    if (shown === box) box.tabIndex = -1;
    shown.focus({ preventScroll: true });
  };

  const near =
    window.IntersectionObserver &&
    new IntersectionObserver(
      (seen) => {
        for (const { isIntersecting, target } of seen)
          if (isIntersecting) {
            near.unobserve(target);
            show(target);
          }
      },
      { rootMargin: '400px' },
    );

  const look = () => {
    const allowed = words(root.getAttribute('data-orbis-allow'));
    const known = remembered();
    for (const box of page.querySelectorAll('[data-orbis-load]')) {
      const how = attribute(box, 'load');
      const named = words(attribute(box, 'for'));
      if (how === 'near' && near) near.observe(box);
      else if (
        how === 'near' ||
        (how === 'allow' && (allowed.includes('all') || named.some((word) => allowed.includes(word)))) ||
        (attribute(box, 'remember') !== null && known.includes(named[0]))
      )
        show(box);
    }
  };

  page.addEventListener('click', ({ target }) => {
    const button = target.closest && target.closest('[data-orbis-load]>button');
    if (!button) return;
    const box = button.parentNode;
    if (attribute(box, 'remember') !== null) remembered(words(attribute(box, 'for'))[0]);
    show(box, true);
    look();
  });
  page.addEventListener('orbis-allow', look);
  page.addEventListener('DOMContentLoaded', look);
  window.orbis = { look };
  look();
})(document, document.documentElement);
