/*
 * Sends a form without leaving it, and says in words of its owner whether it got there. It stands in a framed
 * document whose forms have `data-orbis-sent` and `data-orbis-failed`; `npm run loader` makes the small form
 * of it in core/src/visitors.
 *
 * What a provider answers is not to be read from elsewhere (Fetch, section 3.2.5): that it answered is all
 * that is known.
 */
document.addEventListener('submit', (event) => {
  const form = event.target;
  const sent = form.getAttribute('data-orbis-sent');
  // A script of the provider’s own may have sent it.
  if (event.defaultPrevented || !sent) return;
  event.preventDefault();
  if (form.inert) return;
  const by = event.submitter;
  // By attributes: a field may be called “action”, and would stand in the place of the property.
  const said = (name) => (by && by.getAttribute('form' + name)) || form.getAttribute(name) || '';
  const data = new FormData(form, by);
  const fields = new URLSearchParams();
  for (const [name, value] of data) fields.append(name, value.name === undefined ? value : value.name);
  const address = new URL(said('action'), document.baseURI);
  const asked = { mode: 'no-cors', credentials: 'include' };
  if (/^post$/i.test(said('method'))) {
    asked.method = 'POST';
    asked.body = /^multipart\/form-data$/i.test(said('enctype')) ? data : fields;
  } else address.search = fields;

  // Where it is sent on to a host that is not to be contacted, it has arrived before.
  let isSentOn = false;
  const notice = ({ blockedURI, effectiveDirective }) => {
    isSentOn ||= effectiveDirective === 'connect-src' && blockedURI === address.href;
  };
  document.addEventListener('securitypolicyviolation', notice);

  const say = (words, role) => {
    const line = form.nextElementSibling?.dataset.orbisSaid
      ? form.nextElementSibling
      : document.createElement('p');
    line.dataset.orbisSaid = role;
    line.setAttribute('role', role);
    line.textContent = words;
    form.after(line);
    return line;
  };
  const arrived = () => {
    const line = say(sent, 'status');
    form.remove();
    line.tabIndex = -1;
    line.focus();
  };
  const didNotArrive = () => {
    if (isSentOn) return arrived();
    form.inert = false;
    say(form.getAttribute('data-orbis-failed'), 'alert');
  };
  form.inert = true;
  fetch(address, asked)
    // What was blocked is told a little later than that it failed.
    .then(arrived, () => setTimeout(didNotArrive, 100))
    .finally(() => setTimeout(() => document.removeEventListener('securitypolicyviolation', notice), 100));
});
