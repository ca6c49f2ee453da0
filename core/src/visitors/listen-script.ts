// Made by `npm run loader` from core/loader/listener.js; do not change it here.

/** The script that makes frames as high as their documents tell, as it is pasted, without its tags. */
export const listenScript =
  '(function(t){if(t.orbisHeights)return;t.orbisHeights=new Map;const n=1e4,h=()=>{for(const[o,s]of t.orbisHeights){const e=getComputedStyle(o).position==="absolute"?o.parentNode:null;e?e.style.minHeight=s+"px":o.style.setProperty("height",s+"px","important")}t.orbisHeights.clear()};addEventListener("message",({source:o,data:s})=>{for(const e of t.querySelectorAll("iframe[data-orbis-height]")){if(e.contentWindow!==o)continue;let i=s;try{typeof i=="string"&&(i=JSON.parse(i));for(const a of e.getAttribute("data-orbis-height").split("."))i=i[a]}catch{return}const r=Math.min(Math.ceil(parseFloat(i)),n);if(!(r>0))return;t.orbisHeights.size||requestAnimationFrame(h),t.orbisHeights.set(e,r)}})})(document);';

/** Its digest, as a policy names a script that may run (CSP 3, section 2.3.1). */
export const listenScriptHash = 'sha256-np9TqTOORUlyzeRXRne00JFs5MBCdvr66hUMxIF0exI=';
