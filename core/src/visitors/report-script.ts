// Made by `npm run loader` from core/loader/reporter.js; do not change it here.

/** The script by which a framed document tells how high it is, as it is pasted, without its tags. */
export const reportScript =
  '(function(n){let i=0,o=0,e=!1;const s=()=>{const t=Math.ceil(Math.max(n.getBoundingClientRect().height,n.scrollHeight));t===i||e&&t>i&&++o>3||(e||(o=0),i=t,parent.postMessage({orbis:t},"*"))};addEventListener("resize",()=>{e=!0,requestAnimationFrame(()=>setTimeout(()=>e=!1))}),new ResizeObserver(s).observe(n),addEventListener("load",s),document.fonts.ready.then(s)})(document.body);';

/** Its digest, as a policy names a script that may run (CSP 3, section 2.3.1). */
export const reportScriptHash = 'sha256-MwcDhjaELFJqc50ZvhR8Jcd7g1MG0XCvARuF6rQ8qM0=';
