// Made by `npm run loader` from core/loader/listener.js; do not change it here.

/** The script that makes frames as high as their documents tell, as it is pasted, without its tags. */
export const listenScript =
  '(function(e){if(e.orbisHeights)return;e.orbisHeights=new Map;const n=1e4,h=()=>{for(const[s,o]of e.orbisHeights){let t=s;for(;getComputedStyle(t).position==="absolute"&&t.parentElement;)t=t.parentElement;t===s?s.style.setProperty("height",o+"px","important"):t.style.minHeight=o+"px"}e.orbisHeights.clear()};addEventListener("message",({source:s,data:o})=>{for(const t of e.querySelectorAll("iframe[data-orbis-height]")){if(t.contentWindow!==s)continue;let i=o;try{typeof i=="string"&&(i=JSON.parse(i));for(const a of t.getAttribute("data-orbis-height").split("."))i=i[a]}catch{return}const r=Math.min(Math.ceil(parseFloat(i)),n);if(!(r>0))return;e.orbisHeights.size||requestAnimationFrame(h),e.orbisHeights.set(t,r)}})})(document);';

/** Its digest, as a policy names a script that may run (CSP 3, section 2.3.1). */
export const listenScriptHash = 'sha256-AE0vxChE+pu6KI2Fk9V0ujahdb3BedEscTc4UqLQMAg=';
