// Made by `npm run loader` from core/loader/reporter.js; do not change it here.

/** The script by which a framed document tells how high it is, as it is pasted, without its tags. */
export const reportScript =
  '(function(s){let e=0,o=0,t=!1;const i=()=>{const n=Math.ceil(Math.max(s.getBoundingClientRect().height,s.scrollHeight));n===e||t&&n>e&&++o>3||(t||(o=0),e=n,parent.postMessage({orbis:n},"*"))};addEventListener("resize",()=>{t=!0,requestAnimationFrame(()=>setTimeout(()=>t=!1))}),new ResizeObserver(i).observe(s),addEventListener("load",i),setTimeout(()=>{e=0,i()},1e3),document.fonts.ready.then(i)})(document.body);';

/** Its digest, as a policy names a script that may run (CSP 3, section 2.3.1). */
export const reportScriptHash = 'sha256-KVoM9TLEhDwnqrwpRgDNrFnRar7Cf124FBnY5QeZHEw=';
