// The stand-in reviews: fills every element of its class with what visitors say.
(() => {
  const said = [
    'Worth the climb.',
    'We saw rings. Real ones.',
    'Cold, and glad of the kettle.',
    'Our daughter found north.',
    'Clouds, but such stories.',
    'The road is as they say.',
    'Bring a hat.',
    'Come in winter.',
  ];
  for (const place of document.querySelectorAll('.praisecroft-reviews:not([data-filled])')) {
    place.dataset.filled = '1';
    const dark = place.dataset.page === 'dark';
    const list = document.createElement('ul');
    const across = place.dataset.stand === 'across' ? 'display:flex;gap:16px;overflow-x:auto;' : '';
    list.style.cssText =
      across +
      'list-style:none;margin:0;padding:12px;font:16px sans-serif;background:' +
      (dark ? '#232a27' : '#fffdf8') +
      ';color:' +
      (dark ? '#fffdf8' : '#232a27');
    for (const words of said.slice(0, Number(place.dataset.most) || 4)) {
      const item = document.createElement('li');
      const stars = document.createElement('span');
      stars.textContent = '✦✦✦✦ ';
      stars.style.color = place.dataset.stars ?? '#8a5a12';
      item.append(stars, words + ' (' + (place.dataset.place ?? 'nowhere') + ')');
      item.style.padding = '8px 0';
      list.append(item);
    }
    place.replaceChildren(list);
  }
})();
