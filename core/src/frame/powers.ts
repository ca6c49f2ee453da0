/** Something that a document in a frame may do only where its frame lets it. */
export interface Power {
  /** The option that switches it on or off. */
  name: string;
  /** The sandbox tokens that let it (HTML, section 7.1.5). */
  tokens: readonly string[];
  /** The feature that lets it, also for frames within (Permissions Policy, section 5.2). */
  feature?: string;
}

/** Every power, in the order in which people are shown them. */
export const powers: readonly Power[] = [
  { name: 'may-run-scripts', tokens: ['allow-scripts'] },
  { name: 'may-keep-data', tokens: ['allow-same-origin'] },
  { name: 'may-send-forms', tokens: ['allow-forms'] },
  { name: 'may-open-windows', tokens: ['allow-popups', 'allow-popups-to-escape-sandbox'] },
  { name: 'may-leave-page', tokens: ['allow-top-navigation-by-user-activation'] },
  { name: 'may-show-dialogs', tokens: ['allow-modals'] },
  { name: 'may-download', tokens: ['allow-downloads'] },
  { name: 'may-fill-screen', tokens: [], feature: 'fullscreen' },
  { name: 'may-autoplay', tokens: [], feature: 'autoplay' },
  { name: 'may-copy', tokens: [], feature: 'clipboard-write' },
  { name: 'may-locate', tokens: [], feature: 'geolocation' },
  { name: 'may-film', tokens: [], feature: 'camera' },
  { name: 'may-listen', tokens: [], feature: 'microphone' },
];
