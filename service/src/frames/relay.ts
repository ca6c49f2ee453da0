/**
 * What a preview's document runs of ours: it tells the console where the player is, and nothing
 * else. The player of a file is asked itself; a provider's posts messages, in which its sheet
 * says where the time stands.
 */
export const relayScript = `(() => {
  const { to, member, units } = document.currentScript.dataset;
  const tell = (at) => typeof at === 'number' && Number.isFinite(at) && parent.postMessage({ orbis: 'time', at }, to);
  const player = document.querySelector('video, audio');
  if (player) for (const name of ['timeupdate', 'seeked', 'pause']) player.addEventListener(name, () => tell(player.currentTime));
  if (!member) return;
  addEventListener('message', ({ data, source }) => {
    if (![...document.querySelectorAll('iframe')].some((frame) => frame.contentWindow === source)) return;
    let at = data;
    for (const step of member.split('.')) at = at === null || typeof at !== 'object' ? undefined : at[step];
    if (typeof at === 'number') tell(at / Number(units));
  });
})();
`;
