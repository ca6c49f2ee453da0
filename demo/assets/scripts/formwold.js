// The stand-in sign-up form: makes a form in every element of its class.
(() => {
  const own = new URL(
    document.currentScript?.src ?? document.querySelector('script[src*="formwold.localhost"]').src,
  ).origin;
  const words = { en: ['Your address', 'Sign up'], de: ['Ihre Adresse', 'Anmelden'] };
  for (const place of document.querySelectorAll('.formwold-letter:not([data-filled])')) {
    place.dataset.filled = '1';
    const [address, send] = words[place.dataset.speak] ?? words.en;
    const form = document.createElement('form');
    form.method = 'post';
    form.action = own + '/letters/' + encodeURIComponent(place.dataset.letter ?? '');
    form.style.cssText = 'font:16px sans-serif;padding:12px';
    const label = document.createElement('label');
    const field = document.createElement('input');
    Object.assign(field, { type: 'email', name: 'mail', required: true, value: place.dataset.mail ?? '' });
    label.append(address + ' ', field);
    const button = document.createElement('button');
    button.textContent = place.dataset.word ?? send;
    button.style.cssText =
      'border:0;padding:8px 14px;margin-left:8px;color:#fff;background:' + (place.dataset.press ?? '#2f6145');
    form.append(label, button);
    if (place.dataset.then) {
      const then = document.createElement('input');
      Object.assign(then, { type: 'hidden', name: 'then', value: place.dataset.then });
      form.append(then);
    }
    place.replaceChildren(form);
  }
})();
