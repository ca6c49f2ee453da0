import { fileURLToPath } from 'node:url';
import { Router } from 'express';
import { chords } from '../providers/tonebarn.ts';

const sky = fileURLToPath(new URL('../../assets/sky.webm', import.meta.url));
const charts = [
  'The autumn sky at nine',
  'The Fish and the Ram',
  'The Great Square',
  'What the moon hides',
  'Notes',
];

/** Files on the observatory's own site: a film, a sound, a chart in PDF, a drawing. */
export function files(): Router {
  const router = Router();
  const chart = pdf(charts);
  router.get('/dome-opens.webm', (_request, response) => response.sendFile(sky));
  router.get('/under-the-fell.wav', (_request, response) => void response.type('audio/wav').send(chords));
  router.get('/star-chart.pdf', (_request, response) => void response.type('application/pdf').send(chart));
  router.get('/moor.svg', (_request, response) => void response.type('image/svg+xml').send(moor));
  return router;
}

/* One line of text a page (ISO 32000-1, section 7.5: body, cross-reference table, trailer). */
function pdf(titles: readonly string[]): Buffer {
  const pages = titles.map((_, i) => `${4 + 2 * i} 0 R`);
  const objects = [
    '<< /Type /Catalog /Pages 2 0 R >>',
    `<< /Type /Pages /Count ${titles.length} /Kids [${pages.join(' ')}] >>`,
    '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>',
    ...titles.flatMap((title, i) => {
      const text = `BT /F1 28 Tf 60 740 Td (${title}) Tj ET`;
      return [
        `<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Resources << /Font << /F1 3 0 R >> >> /Contents ${5 + 2 * i} 0 R >>`,
        `<< /Length ${text.length} >>\nstream\n${text}\nendstream`,
      ];
    }),
  ];
  let out = '%PDF-1.4\n';
  const offsets = objects.map((object, i) => {
    const at = out.length;
    out += `${i + 1} 0 obj\n${object}\nendobj\n`;
    return at;
  });
  const table = out.length;
  out += `xref\n0 ${objects.length + 1}\n0000000000 65535 f \n${offsets.map((at) => `${String(at).padStart(10, '0')} 00000 n \n`).join('')}`;
  out += `trailer\n<< /Size ${objects.length + 1} /Root 1 0 R >>\nstartxref\n${table}\n%%EOF\n`;
  return Buffer.from(out, 'latin1');
}

const moor =
  '<svg xmlns="http://www.w3.org/2000/svg" width="640" height="360" viewBox="0 0 640 360"><rect width="640" height="360" fill="#171b19"/><path d="M0 300Q160 220 320 280T640 250V360H0Z" fill="#5d3a5f"/><circle cx="470" cy="90" r="34" fill="#e0a84f"/></svg>';
