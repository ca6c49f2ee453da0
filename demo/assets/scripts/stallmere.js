// The stand-in shop: works off its queue, and then does at once what is pushed.
(() => {
  const goods = ['moon-map', 'wool-hat', 'red-torch', 'star-wheel', 'kettle', 'tea'];
  const show = (selector, options = {}) => {
    const place = document.querySelector(selector);
    if (!place) return;
    const dark = options.counter === 'dark';
    const box = document.createElement('div');
    box.style.cssText =
      'display:flex;gap:12px;flex-wrap:wrap;padding:12px;font:16px sans-serif;background:' +
      (dark ? '#232a27' : '#fffdf8') +
      ';color:' +
      (dark ? '#fffdf8' : '#232a27');
    const first = goods.indexOf(place.dataset.product);
    const order = first < 0 ? goods : [goods[first], ...goods.filter((name) => name !== goods[first])];
    for (const name of order.slice(0, options.items ?? 1)) {
      const item = document.createElement('figure');
      item.style.margin = '0';
      item.className = 'stallmere-item';
      const button = document.createElement('button');
      button.textContent = options.word ?? 'Into the basket';
      button.style.cssText =
        'display:block;border:0;padding:8px 12px;color:#fff;background:' + (options.till ?? '#5d3a5f');
      button.addEventListener('click', () => (button.textContent = 'In the basket'));
      if (options.badge) {
        const badge = document.createElement('img');
        Object.assign(badge, { src: options.badge, alt: '', width: 24, height: 24 });
        item.append(badge);
      }
      item.append(name.replace('-', ' ') + ' (shop ' + (place.dataset.shop ?? '?') + ')', button);
      box.append(item);
    }
    place.replaceChildren(box);
  };
  const run = ([what, selector, options]) => what === 'show' && show(selector, options);
  const waiting = Array.isArray(window.stallmere) ? window.stallmere : [];
  window.stallmere = { push: (...calls) => calls.forEach(run) };
  waiting.forEach(run);
})();
