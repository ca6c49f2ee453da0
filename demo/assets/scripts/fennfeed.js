// The stand-in photo feed: makes cards of its quotations, and fills streams with the newest of an account.
(() => {
  const card = (place, words) => {
    const dark = place.dataset.tone === 'dark';
    const box = document.createElement('article');
    box.className = 'fennfeed-card';
    box.style.cssText =
      'border:2px solid ' +
      (place.dataset.rim ?? '#3c5a70') +
      ';border-radius:8px;padding:12px;font:16px sans-serif;background:' +
      (dark ? '#171b19' : '#fffdf8') +
      ';color:' +
      (dark ? '#fffdf8' : '#232a27');
    box.textContent = words;
    return box;
  };
  for (const quote of document.querySelectorAll('.fennfeed-post:not([data-filled])')) {
    quote.dataset.filled = '1';
    quote.replaceChildren(card(quote, quote.querySelector('p')?.textContent ?? ''));
  }
  const log = [
    'Frost on the dome.',
    'The Ram is up.',
    'Four visitors, one dog.',
    'Clear until two.',
    'A fox by the gate.',
    'First light on the new mirror.',
    'Clouds, again.',
    'Kettle repaired.',
  ];
  for (const stream of document.querySelectorAll('.fennfeed-stream:not([data-filled])')) {
    stream.dataset.filled = '1';
    const grid = document.createElement('div');
    grid.style.cssText = 'display:grid;gap:12px';
    grid.style.gridTemplateColumns =
      stream.dataset.lay === 'tall' ? '1fr' : 'repeat(auto-fill,minmax(180px,1fr))';
    if (stream.dataset.gap) grid.style.gap = stream.dataset.gap;
    const about = (stream.dataset.about ?? '').toLowerCase().split(',').filter(Boolean);
    const fitting = log.filter(
      (words) => about.length === 0 || about.some((word) => words.toLowerCase().includes(word)),
    );
    for (const words of fitting.slice(0, Number(stream.dataset.show) || 4))
      grid.append(card(stream, stream.dataset.of + ': ' + words));
    stream.replaceChildren(grid);
  }
})();
