import { isOfItScript } from './bounds.ts';

/* What was wanted, by the directive that would have kept it out, as a browser calls what it asks for. */
const useOfDirective = {
  'script-src-elem': 'script',
  'worker-src': 'script',
  'style-src-elem': 'stylesheet',
  'img-src': 'image',
  'media-src': 'media',
  'font-src': 'font',
  'connect-src': 'fetch',
  'frame-src': 'frame',
  'form-action': 'form',
};

/**
 * What a preview's document runs of ours: it tells the console where the player is, what does not work, and
 * whom the document contacts where a policy only tells; nothing else. The player of a file is asked itself; a
 * provider's posts messages, in which its sheet says where the time stands.
 */
export const relayScript = `(() => {
  const { to, member, units, inPage } = document.currentScript.dataset;
  const say = (told) => parent.postMessage({ orbis: 'trouble', ...told }, to);
  const uses = { SCRIPT: 'script', LINK: 'stylesheet', IMG: 'image', VIDEO: 'media', AUDIO: 'media', SOURCE: 'media' };
  ${isOfItScript}
  const clip = (text) => String(text).slice(0, 300);
  addEventListener('error', ({ target, message }) => {
    if (target === window) say({ code: 'script-stopped', words: clip(message) });
    else if (uses[target.tagName] && isOfIt(target)) say({ code: 'not-loaded', use: uses[target.tagName], address: clip(target.currentSrc || target.src || target.href) });
  }, true);
  addEventListener('unhandledrejection', ({ reason }) => say({ code: 'script-stopped', words: clip(reason?.message ?? reason) }));
  let isUsed = false;
  for (const type of ['pointerdown', 'keydown']) addEventListener(type, (event) => { isUsed ||= event.isTrusted; }, true);
  const wanted = ${JSON.stringify(useOfDirective)};
  addEventListener('securitypolicyviolation', ({ blockedURI, disposition, effectiveDirective }) => {
    if (!URL.canParse(blockedURI)) return;
    const { protocol, host, hostname } = new URL(blockedURI);
    if (disposition === 'enforce') say({ code: 'blocked', host });
    else if (/^(http|ws)s?:$/.test(protocol) && host !== location.host)
      parent.postMessage({ orbis: 'contact', host: hostname, use: wanted[effectiveDirective] ?? 'other', afterClick: isUsed }, to);
  });
  const seconds = 10;
  const shows = (element) => {
    const { width, height } = element.getBoundingClientRect();
    return width * height > 25;
  };
  setTimeout(() => {
    const things = [...document.querySelectorAll('iframe,img,video,audio,canvas,svg,object,embed,input,button,select,textarea')];
    if (document.body && document.body.innerText.trim() === '' && !things.some(shows)) say({ code: 'nothing-shown', seconds });
  }, seconds * 1000);
  addEventListener('DOMContentLoaded', () => {
    const tell = (at) => typeof at === 'number' && Number.isFinite(at) && parent.postMessage({ orbis: 'time', at }, to);
    const player = document.querySelector('video, audio');
    if (player) for (const name of ['timeupdate', 'seeked', 'pause']) player.addEventListener(name, () => tell(player.currentTime));
    if (!member) return;
    addEventListener('message', ({ data, source }) => {
      if (![...document.querySelectorAll('iframe')].some((frame) => frame.contentWindow === source)) return;
      let at = data;
      for (const step of member.split('.')) at = at === null || typeof at !== 'object' ? undefined : at[step];
      if (typeof at === 'number') tell(at / Number(units));
    });
  });
})();
`;
