// Made by `npm run loader` from core/loader/answer.js; do not change it here.

/** The script that sends a form and says whether it got there, as it is pasted, without its tags. */
export const answerScript =
  'document.addEventListener("submit",s=>{const t=s.target,l=t.getAttribute("data-orbis-sent");if(s.defaultPrevented||!l||(s.preventDefault(),t.inert))return;const o=s.submitter,r=e=>o&&o.getAttribute("form"+e)||t.getAttribute(e)||"",m=new FormData(t,o),a=new URLSearchParams;for(const[e,n]of m)a.append(e,n.name===void 0?n:n.name);const c=new URL(r("action"),document.baseURI),d={mode:"no-cors",credentials:"include"};/^post$/i.test(r("method"))?(d.method="POST",d.body=/^multipart\\/form-data$/i.test(r("enctype"))?m:a):c.search=a;let u=!1;const f=({blockedURI:e,effectiveDirective:n})=>{u||(u=n==="connect-src"&&e===c.href)};document.addEventListener("securitypolicyviolation",f);const b=(e,n)=>{const i=t.nextElementSibling?.dataset.orbisSaid?t.nextElementSibling:document.createElement("p");return i.dataset.orbisSaid=n,i.setAttribute("role",n),i.textContent=e,t.after(i),i},p=()=>{const e=b(l,"status");t.remove(),e.tabIndex=-1,e.focus()},v=()=>{if(u)return p();t.inert=!1,b(t.getAttribute("data-orbis-failed"),"alert")};t.inert=!0,fetch(c,d).then(p,()=>setTimeout(v,100)).finally(()=>setTimeout(()=>document.removeEventListener("securitypolicyviolation",f),100))});';

/** Its digest, as a policy names a script that may run (CSP 3, section 2.3.1). */
export const answerScriptHash = 'sha256-OhWPCO3Z3GY+5XQZVY09T0sqNzGGTmfC3cIM2b5VSF8=';
