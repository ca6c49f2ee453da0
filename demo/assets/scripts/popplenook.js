// The stand-in pop-up: each element of its class opens one after its time, once; on some pages only, and not
// again to somebody who has seen or closed it, where that is asked for.
(() => {
  const words = { en: 'Not now', de: 'Nicht jetzt' };
  const day = 24 * 60 * 60 * 1000;
  const name = (place, what) => 'popplenook ' + what + ' ' + place.dataset.campaign;
  const remember = (place, what) => {
    try {
      localStorage.setItem(name(place, what), String(Date.now()));
    } catch {
      // In a frame without an origin nothing is remembered.
    }
  };
  const remembered = (place, what) => {
    try {
      return Number(localStorage.getItem(name(place, what)) ?? 0);
    } catch {
      return 0;
    }
  };
  const isFor = (place) => {
    const { on, again, closed } = place.dataset;
    if (on && !on.split(',').some((part) => location.href.includes(part))) return false;
    if (closed === 'gone' && remembered(place, 'closed') > 0) {
      place.dataset.away = '1';
      return false;
    }
    if (!again) return true;
    place.dataset.next = again;
    return Date.now() - remembered(place, 'seen') > Number(again) * day;
  };
  const open = (place) => {
    const box = document.createElement('dialog');
    box.className = 'popplenook-open';
    box.style.cssText =
      'border:0;border-top:10px solid ' +
      (place.dataset.ribbon ?? '#8a5a12') +
      ';padding:24px;font:16px sans-serif';
    const title = document.createElement('p');
    title.textContent = (place.dataset.campaign ?? 'nobody').replaceAll('-', ' ');
    const close = document.createElement('button');
    close.textContent = words[place.dataset.lang] ?? words.en;
    close.addEventListener('click', () => {
      box.remove();
      if (place.dataset.closed === 'gone') {
        remember(place, 'closed');
        place.dataset.away = '1';
      }
    });
    box.append(title, close);
    place.append(box);
    box.show();
    remember(place, 'seen');
  };
  const begin = () => {
    for (const place of document.querySelectorAll('.popplenook-popup:not([data-waits])')) {
      if (!isFor(place)) continue;
      place.dataset.waits = '1';
      setTimeout(() => open(place), 1000 * (Number(place.dataset.after) || 0));
    }
  };
  if (document.readyState === 'loading') addEventListener('DOMContentLoaded', begin);
  else begin();
})();
