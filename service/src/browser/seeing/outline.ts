import type { Watched } from './watching.ts';

/** What is drawn around something on a page. */
export interface Outlined {
  box: { left: number; top: number; width: number; height: number };
  name: string;
}

/** Draws outlines with their names over a page, until {@link eraseOutlines}. */
export const drawOutlines = (watched: Watched, outlined: readonly Outlined[]): Promise<void> =>
  watched.ask(`(() => {
    const host = document.createElement('orbis-outlines');
    for (const [name, value] of [['position', 'absolute'], ['left', '0'], ['top', '0'], ['z-index', '2147483647'],
      ['pointer-events', 'none'], ['display', 'block']]) host.style.setProperty(name, value, 'important');
    const root = host.attachShadow({ mode: 'closed' });
    for (const { box, name } of ${JSON.stringify(outlined)}) {
      const frame = document.createElement('div');
      const label = document.createElement('span');
      label.textContent = name;
      const css = (element, values) => {
        for (const [property, value] of Object.entries(values)) element.style.setProperty(property, value, 'important');
      };
      css(frame, { position: 'absolute', left: box.left + 'px', top: box.top + 'px', width: box.width + 'px',
        height: box.height + 'px', outline: '3px solid #5d3a5f', 'outline-offset': '-3px', 'box-sizing': 'border-box' });
      css(label, { position: 'absolute', left: '0', top: '0', 'max-width': Math.max(60, box.width) + 'px', padding: '2px 8px',
        background: '#5d3a5f', color: '#fffdf8', font: '600 13px/18px sans-serif', 'white-space': 'nowrap',
        overflow: 'hidden', 'text-overflow': 'ellipsis', 'box-sizing': 'border-box' });
      frame.append(label);
      root.append(frame);
    }
    document.documentElement.append(host);
  })()`);

export const eraseOutlines = (watched: Watched): Promise<void> =>
  watched.ask(`for (const each of document.querySelectorAll('orbis-outlines')) each.remove()`);
