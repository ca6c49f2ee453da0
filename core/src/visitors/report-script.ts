// Made by `npm run loader` from core/loader/reporter.js; do not change it here.

/** The script by which a framed document tells how high it is, as it is pasted, without its tags. */
export const reportScript =
  '(function(s){let t=0,o=0,r=0,n=!1;const l=()=>parent.postMessage({orbis:t},"*"),i=()=>{const e=Math.ceil(Math.max(s.getBoundingClientRect().height,s.scrollHeight));if(!(e===t||e===o)){if(n&&e>t&&++r>3){o=e;return}n||(r=0),t=e,l()}};addEventListener("resize",()=>{n=!0,requestAnimationFrame(()=>setTimeout(()=>n=!1))}),new ResizeObserver(i).observe(s),addEventListener("load",i),setTimeout(l,1e3),document.fonts.ready.then(i)})(document.body);';

/** Its digest, as a policy names a script that may run (CSP 3, section 2.3.1). */
export const reportScriptHash = 'sha256-evAYKosN1zPzQ2Zcac8m9lkcPFSh56nJuNzVbFEyhbk=';
