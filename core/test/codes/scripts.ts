import type { CodeCase } from './case.ts';

const box = '<div id="dw-1" class="dw-box"></div>';
const load = '<script async src="https://cdn.dalewick.example/d.js"></script>';

/** What scripts and styles claim and contact, and how often they are needed. */
export const scripts: CodeCase[] = [
  {
    code: `<style>@keyframes dw-in{from{opacity:0}40%{opacity:.4}to{opacity:1}}.dw-box{animation:dw-in 1s}</style>${box}${load}`,
    notClaims: ['style:from', 'style:to', 'style:40%'],
    notRules: ['global-style'],
  },
  {
    code: '<style>p{margin:0}</style><p>x</p>',
    claims: ['style:p'],
    rules: ['global-style'],
  },
  {
    code: '<script>if (!window.dwLib) { window.dwLib = { q: [] }; } if (typeof dwTwo === "undefined") { window.dwTwo = 1; } window.dwOwn = 1;</script>',
    claims: ['global:dwLib', 'global:dwTwo', 'global:dwOwn'],
    shared: { 'global:dwLib': true, 'global:dwTwo': true, 'global:dwOwn': false },
  },
  {
    code: `${box}<script>document.getElementById('dw-1').addEventListener('click', function () {}); document.querySelectorAll('.dw-box').forEach(function (e) { e.addEventListener('focus', function () {}); });</script>`,
    notClaims: ['listener:click', 'listener:focus'],
  },
  {
    code: '<script>addEventListener("message", f); window.addEventListener("resize", f); document.addEventListener("scroll", f); function f() {}</script>',
    claims: ['listener:message', 'listener:resize', 'listener:scroll'],
  },
  {
    code: '<script>var page = window.document; page.write(\'<script src="https://cdn.dalewick.example/w.js"><\\/script>\');</script>',
    rules: ['writes-document'],
    hosts: ['cdn.dalewick.example'],
  },
  // What names an element of this code is needed with each copy of it.
  {
    code: `${box}${load}<script>dale.setup({ target: '#dw-1', file: 'a.mp4' });</script>`,
    repeat: { setup: 'placement', loader: 'page' },
  },
  {
    code: `${box}<script async src="https://cdn.dalewick.example/d.js" onload="dale.go('dw-1')"></script>`,
    repeat: { loader: 'placement' },
  },
  {
    code: `${load}<script>window.dale = window.dale || function () { (dale.q = dale.q || []).push(arguments); };</script>`,
    repeat: { setup: 'page' },
  },
  {
    code: '<form action="https://f.dalewick.example/8" method="post"><input name="dw_mail"></form><script>document.querySelector("input[name=dw_mail]").focus();</script>',
    claims: ['field:dw_mail'],
    repeat: { setup: 'placement' },
  },
  // Files that a player is told of by attributes of any name.
  {
    code: `<div class="dw-player" data-movie="https://media.dalewick.example/a.m3u8" data-words="https://subs.dalewick.example/a.vtt"></div>${load}`,
    hosts: ['media.dalewick.example', 'subs.dalewick.example', 'cdn.dalewick.example'],
  },
  {
    code: '<iframe src="ht\ntps://play.dalewick.example/v/8" title="t" width="400" height="300"></iframe>',
    hosts: ['play.dalewick.example'],
  },
  // Places of any element.
  { code: `<p class="dw-line" data-dw="8"></p>${load}`, roles: ['mount', 'loader'] },
  { code: `<p class="dw-line">Words of the page.</p>${load}`, roles: ['text', 'loader'] },
  {
    code: `<canvas id="dw-c" width="300" height="150"></canvas><script>document.getElementById('dw-c').getContext('2d');</script>`,
    ratio: 2,
  },
  // Several embeds.
  {
    code: '<form action="https://f.dalewick.example/8" method="post"><input type="email" name="m"></form><iframe src="https://play.dalewick.example/maps/8" title="Map" width="400" height="300"></iframe>',
    embeds: ['form', 'map'],
    rules: ['several-embeds'],
  },
];
