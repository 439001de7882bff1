/** A plan's picture as SVG 1.1, complete in itself: to be shown, printed and saved. */
import type { Plan, System } from '../../system';
import { forXml } from '../clean';
import { pictureOf, type Box } from './layout';

/** Hue of the left edge, by what a step does. The words in the box say the same. */
const EDGE: Record<Box['kind'], string> = {
  start: '#16202a',
  'cut off': '#a8201a',
  play: '#7a5a00',
  menu: '#7a5a00',
  ask: '#7a5a00',
  meeting: '#1f6f6b',
  hours: '#9c4316',
  caller: '#9c4316',
  share: '#9c4316',
  goto: '#9c4316',
  notify: '#5f6368',
  ring: '#2c6a4a',
  queue: '#2c6a4a',
  forward: '#4a4f9c',
  voicemail: '#75397a',
  end: '#5f6368',
};

const escaped = (text: string): string => forXml(text).replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);
const round = (n: number): number => Math.round(n * 10) / 10;

/** The picture of a plan. Whatever people have typed stands in it as text. */
export function planSvg(plan: Plan, system: System): string {
  const { width, height, boxes, lines } = pictureOf(plan, system);
  const drawnLines = lines.map(({ points, label, at }) => {
    const path = points.map((p, i) => `${i ? 'L' : 'M'}${round(p.x)} ${round(p.y)}`).join(' ');
    const text = label
      ? `<text x="${round(at.x)}" y="${round(at.y) + 4}" text-anchor="middle" class="l">${escaped(label)}</text>`
      : '';
    return `<path d="${path}" marker-end="url(#arrow)"/>${text}`;
  });
  const drawnBoxes = boxes.map((b) => {
    const [x, y] = [round(b.x - b.width / 2), round(b.y - b.height / 2)];
    const rows = b.lines
      .map((line, i) => `<text x="${x + 12}" y="${y + 32 + i * 15}">${escaped(line)}</text>`)
      .join('');
    return `<g><rect x="${x}" y="${y}" width="${b.width}" height="${b.height}"/><rect x="${x}" y="${y}" width="4" height="${b.height}" style="fill:${EDGE[b.kind]};stroke:none"/><text x="${x + 12}" y="${y + 16}" font-weight="700">${escaped(b.title)}</text>${rows}</g>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" font-family="'Atkinson Hyperlegible Next Variable', 'Atkinson Hyperlegible Next', sans-serif" font-size="12" fill="#16202a">
<title>${escaped(plan.name)}</title>
<style>rect{fill:#fffdf9;stroke:#dad3c5}path{fill:none;stroke:#55606a}.l{fill:#9c4316;paint-order:stroke;stroke:#f6f3ec;stroke-width:4px}</style>
<defs><marker id="arrow" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="8" markerHeight="8" orient="auto"><path d="M0 0 8 4 0 8z" style="fill:#55606a;stroke:none"/></marker></defs>
<rect width="${width}" height="${height}" style="fill:#f6f3ec;stroke:none"/>
${drawnLines.join('\n')}
${drawnBoxes.join('\n')}
</svg>
`;
}
