import type { CodeCase } from './case.ts';

/** What scripts claim, and how often they are needed. */
export const claims: CodeCase[] = [
  {
    code: '<script type="module">import {x} from "https://esm.wellbrook.example/a.js"; const top1=1; function go(){}; window.wbReal=2;</script>',
    notClaims: ['global:top1', 'global:go', 'global:x'],
    claims: ['global:wbReal'],
    hosts: ['esm.wellbrook.example'],
  },
  {
    code: '<script>var a=1,b=2; let {c1,d1:e1}=x; const [f1]=y; (()=>{var z1=1; this.q=2})(); (function(){window["wbA"]=1; self.wbB=2; top.wbC=3})()</script>',
    claims: ['global:a', 'global:b', 'global:c1', 'global:e1', 'global:f1', 'global:wbA', 'global:wbB'],
    notClaims: ['global:z1', 'global:d1'],
  },
  {
    code: '<script>"use strict"; typeof wbQ==="undefined"&&(window.wbQ=[]); window.wbR??={}; window.wbS||(window.wbS={}); var wbT=wbT||{}; wbU=window.wbU||[];</script>',
    shared: {
      'global:wbQ': true,
      'global:wbR': true,
      'global:wbS': true,
      'global:wbT': true,
      'global:wbU': true,
    },
  },
  {
    code: '<script>el.addEventListener("click",f);document.body.addEventListener("keydown",f);document.querySelector("#x").onclick=f;window.onresize=f;document.onscroll=f;</script>',
    claims: ['listener:resize', 'listener:scroll'],
    notClaims: ['listener:click', 'listener:keydown'],
  },
  {
    code: '<style>.wb-a:hover,.wb-a .b{color:red}body{margin:0}@media print{p{display:none}}</style><div class="wb-a"></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    claims: ['style:body'],
    rules: ['global-style'],
  },
  {
    code: '<script>(function(w,d,s,u,n){w[n]=w[n]||function(){(w[n].q=w[n].q||[]).push(arguments)};var e=d.createElement(s);e.async=1;e.src=u;d.head.appendChild(e)})(window,document,"script","https://cdn.wellbrook.example/x.js","wb");wb("init",8);</script><div class="wb-box"></div>',
    hosts: ['cdn.wellbrook.example'],
    claims: ['global:wb'],
    shared: {
      'global:wb': true,
    },
  },
  {
    code: '<div id="wb-3"></div><script async src="https://cdn.wellbrook.example/x.js"></script><script>window.wbReady=function(){new Wb.Box(document.getElementById("wb-3"))}</script>',
    repeat: {
      setup: 'placement',
      loader: 'page',
    },
  },
  {
    code: '<script async src="https://cdn.wellbrook.example/x.js"></script><div class="wb" data-id="3"></div><script>window.WB=window.WB||[];</script>',
    repeat: {
      setup: 'page',
    },
  },
  {
    code: '<div id="wb-3"></div><script>var wbOptions={container:"wb-3",id:8};</script><script src="https://cdn.wellbrook.example/x.js"></script>',
    repeat: {
      setup: 'placement',
    },
    claims: ['global:wbOptions'],
  },
  {
    code: '<script src="https://cdn.wellbrook.example/lib.js"></script><script>Wb.configure({lang:"en"});</script><div class="wb" data-id="3"></div>',
    repeat: {
      setup: 'page',
    },
  },
  {
    code: '<link rel="stylesheet" href="https://cdn.wellbrook.example/x.css"><div class="wb" data-id="3"></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    repeat: {
      loader: 'page',
    },
    places: ['head', 'body', 'head'],
  },
  {
    code: '<script src="https://cdn.wellbrook.example/x.js" data-id="8841" async></script>',
    repeat: {
      loader: 'placement',
    },
  },
  {
    code: '<script src="https://cdn.wellbrook.example/x.js" id="wb-script" async></script><div class="wb" data-id="3"></div>',
    repeat: {
      loader: 'page',
    },
  },
  {
    code: '<script src="https://wellbrook.example/embed.js?id=8841"></script>',
    repeat: {
      loader: 'placement',
    },
  },
  {
    code: '<div class="wb" data-id="3"></div><script>document.querySelectorAll(".wb").forEach(function(e){e.innerHTML="<b>x</b>"})</script>',
    repeat: {
      setup: 'placement',
    },
  },
];
