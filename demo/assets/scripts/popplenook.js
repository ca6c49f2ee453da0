// The stand-in pop-up: each element of its class opens one after its time, once.
(() => {
  const words = { en: 'Not now', de: 'Nicht jetzt' };
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
    close.addEventListener('click', () => box.remove());
    box.append(title, close);
    place.append(box);
    box.show();
  };
  const begin = () => {
    for (const place of document.querySelectorAll('.popplenook-popup:not([data-waits])')) {
      place.dataset.waits = '1';
      setTimeout(() => open(place), 1000 * (Number(place.dataset.after) || 0));
    }
  };
  if (document.readyState === 'loading') addEventListener('DOMContentLoaded', begin);
  else begin();
})();
