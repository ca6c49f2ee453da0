// The stand-in player. It obeys its own parameters: from and until in seconds, roll (play by itself), hush
// (no sound), again (from the start when the end is reached), knobs=0 (no buttons), words (1: what is
// said, as text), tongue (the language of that), hue (the colour of the button).
const wish = new URLSearchParams(location.search);
const from = Math.max(0, Number(wish.get('from')) || 0);
const until = Number(wish.get('until')) || Infinity;
const again = wish.get('again') === '1';
const video = document.querySelector('video');
const start = document.querySelector('.start');

video.controls = wish.get('knobs') !== '0';
video.muted = wish.get('hush') === '1';
video.loop = again && until === Infinity && from === 0;

if (/^[0-9a-f]{6}$/i.test(wish.get('hue') ?? '')) start.style.background = `#${wish.get('hue')}`;
const said = { en: 'This is the sky above the moor.', de: 'Das ist der Himmel über dem Moor.' };
if (wish.get('words') === '1') {
  const words = document.createElement('p');
  words.className = 'words';
  words.textContent = said[wish.get('tongue')] ?? said.en;
  words.lang = wish.get('tongue') === 'de' ? 'de' : 'en';
  document.body.append(words);
}

const showStart = () => document.body.classList.toggle('waiting', video.paused && !video.dataset.begun);

const begin = () => {
  if (video.currentTime < from || video.currentTime >= until) video.currentTime = from;
  return video.play();
};

let last = from;
const watch = () => {
  const now = video.currentTime;
  // Whoever jumps behind the end on purpose may look on; whoever plays over it is stopped.
  const crossed = last < until && now >= until && now - last < 1;
  last = now;
  if (crossed && again) video.currentTime = last = from;
  else if (crossed) {
    video.pause();
    video.currentTime = last = until;
  }
  if (!video.paused) requestAnimationFrame(watch);
};

const ready = () => {
  video.currentTime = from;
  // The browser decides: with sound it refuses, and the button stays.
  if (wish.get('roll') === '1') begin().catch(showStart);
};
video.addEventListener('play', () => {
  video.dataset.begun = '1';
  if (video.currentTime >= until) video.currentTime = from;
  last = video.currentTime;
  showStart();
  requestAnimationFrame(watch);
});
video.addEventListener('timeupdate', () => !video.paused && watch());
video.addEventListener('ended', () => again && begin());
start.addEventListener('click', begin);
// Whoever has the player in a page may know where it is.
for (const name of ['timeupdate', 'seeked', 'pause'])
  video.addEventListener(name, () => parent.postMessage({ kinorill: { at: video.currentTime } }, '*'));
// The video may have been faster than this script.
if (video.readyState >= HTMLMediaElement.HAVE_METADATA) ready();
else video.addEventListener('loadedmetadata', ready, { once: true });
showStart();
