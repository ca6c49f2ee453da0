import type { Language } from '../language.ts';

/** What the options of isolation are called and do. */
export const frameOptions = {
  'frame': {
    label: 'Its frame',
    explain:
      'How it stands on the page: in the page itself; enclosed, in a document within the pasted code; served by Orbis, so that later revisions arrive without pasting again; or in a file on your own server.',
    done: (value) =>
      ({
        none: 'Put it into the page itself',
        enclosed: 'Enclose it in a document within the code',
        served: 'Serve it in a document of its own',
        file: 'Put it into a file on your server',
      })[value] ?? `Frame it: ${value}`,
    words: { none: 'None', enclosed: 'Enclosed', served: 'Served by Orbis', file: 'A file of yours' },
  },
  'frame-file': {
    label: 'Address of the file',
    explain: 'Where the file will stand on your own server. It goes with “A file of yours”.',
    done: (value) => `Show the file at ${value}`,
  },
  'answer': {
    label: 'Answer to its form',
    explain:
      'Where the visitor reads what the provider answers: in the frame, in a new tab, in the place of your page; or words of your own instead, which stand in the place of the form. Whether the provider took what was sent is then not known, only that it arrived.',
    done: (value) =>
      ({
        frame: 'Show the answer to its form in the frame',
        tab: 'Show the answer to its form in a new tab',
        page: 'Show the answer to its form in the place of the page',
        words: 'Answer its form in your own words',
      })[value] ?? `Answer its form: ${value}`,
    words: {
      frame: 'In the frame',
      tab: 'In a new tab',
      page: 'In the place of the page',
      words: 'Your own words',
    },
  },
  'answer-words': {
    label: 'When it was sent',
    explain: 'What stands in the place of the form then. It goes with “Your own words”.',
    done: (value) => `Say when its form was sent: “${value}”`,
  },
  'answer-failed': {
    label: 'When it could not be sent',
    explain: 'What stands below the form then; what was typed stays. It goes with “Your own words”.',
    done: (value) => `Say when its form could not be sent: “${value}”`,
  },
  'site-style': {
    label: 'Style of the site',
    explain:
      'Whether it has the style that its site keeps for what is in frames. It has, where nothing is said.',
    done: (value) => (value === 'on' ? 'Give it the style of the site' : 'Leave out the style of the site'),
  },
  'contacts': {
    label: 'Whom it contacts',
    explain:
      'The hosts that it may contact in its frame, with commas between them; any other is blocked then. Find them out first: what a script loads later is not in the code.',
    done: (value) => `Let it contact nobody but ${value}`,
  },
  'may-run-scripts': {
    label: 'Runs scripts',
    explain: 'Whether it may run scripts. Without them most forms, feeds and players do nothing.',
    done: (value) => (value === 'on' ? 'Let it run scripts' : 'Do not let it run scripts'),
  },
  'may-keep-data': {
    label: 'Keeps data',
    explain:
      'Whether it may keep data in the visitor’s browser, at an origin of its own. Only where it is served.',
    done: (value) =>
      value === 'on'
        ? 'Let it keep data in the visitor’s browser'
        : 'Do not let it keep data in the visitor’s browser',
  },
  'may-send-forms': {
    label: 'Sends forms',
    explain: 'Whether its forms can be sent.',
    done: (value) => (value === 'on' ? 'Let it send forms' : 'Do not let it send forms'),
  },
  'may-open-windows': {
    label: 'Opens windows',
    explain: 'Whether it may open windows and tabs. Without that its links to elsewhere do nothing.',
    done: (value) =>
      value === 'on' ? 'Let it open windows and tabs' : 'Do not let it open windows and tabs',
  },
  'may-leave-page': {
    label: 'Leaves the page',
    explain: 'Whether a click in it may take the visitor away from your page.',
    done: (value) =>
      value === 'on'
        ? 'Let it take visitors away from the page when they click'
        : 'Do not let it take visitors away from the page when they click',
  },
  'may-show-dialogs': {
    label: 'Shows dialogs',
    explain: 'Whether it may stop everything with a dialog of the browser.',
    done: (value) =>
      value === 'on' ? 'Let it show dialogs of the browser' : 'Do not let it show dialogs of the browser',
  },
  'may-download': {
    label: 'Starts downloads',
    explain: 'Whether it may hand out files.',
    done: (value) => (value === 'on' ? 'Let it start downloads' : 'Do not let it start downloads'),
  },
  'may-fill-screen': {
    label: 'Fills the screen',
    explain: 'Whether it may be shown on all of the screen.',
    done: (value) => (value === 'on' ? 'Let it fill the screen' : 'Do not let it fill the screen'),
  },
  'may-autoplay': {
    label: 'Plays with sound',
    explain: 'Whether it may begin to play with sound, once the visitor has clicked somewhere.',
    done: (value) =>
      value === 'on' ? 'Let it begin to play with sound' : 'Do not let it begin to play with sound',
  },
  'may-copy': {
    label: 'Copies',
    explain: 'Whether it may put something on the visitor’s clipboard.',
    done: (value) =>
      value === 'on' ? 'Let it copy to the clipboard' : 'Do not let it copy to the clipboard',
  },
  'may-locate': {
    label: 'Asks where they are',
    explain: 'Whether it may ask the visitor’s browser where they are. The visitor is asked first.',
    done: (value) =>
      value === 'on' ? 'Let it ask where visitors are' : 'Do not let it ask where visitors are',
  },
  'may-film': {
    label: 'Uses the camera',
    explain: 'Whether it may ask for the camera. The visitor is asked first.',
    done: (value) => (value === 'on' ? 'Let it ask for the camera' : 'Do not let it ask for the camera'),
  },
  'may-listen': {
    label: 'Uses the microphone',
    explain: 'Whether it may ask for the microphone. The visitor is asked first.',
    done: (value) =>
      value === 'on' ? 'Let it ask for the microphone' : 'Do not let it ask for the microphone',
  },
} satisfies Language['options'];
