// The stand-in player. It obeys its own parameters: from and until in seconds, roll (play by itself), hush (no sound),
// again (from the start when the end is reached), knobs=0 (no buttons).
const wish = new URLSearchParams(location.search);
const from = Math.max(0, Number(wish.get('from')) || 0);
const until = Number(wish.get('until')) || Infinity;
const again = wish.get('again') === '1';
const video = document.querySelector('video');
const start = document.querySelector('.start');

video.controls = wish.get('knobs') !== '0';
video.muted = wish.get('hush') === '1';
video.loop = again && until === Infinity && from === 0;

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
// The video may have been faster than this script.
if (video.readyState >= HTMLMediaElement.HAVE_METADATA) ready();
else video.addEventListener('loadedmetadata', ready, { once: true });
showStart();
