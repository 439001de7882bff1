/** How a call button looks, and whether it can be read. */
import { colord, extend } from 'colord';
import a11y from 'colord/plugins/a11y';
import type { CallButton } from '../system';

extend([a11y]);

/** Text must stand out so much (WCAG 2.2, 1.4.3), and a control against what is around it (1.4.11). */
export const TEXT_CONTRAST = 4.5;
export const EDGE_CONTRAST = 3;

/** The contrast ratio of two colours, 1 to 21, to two digits, cut off (WCAG 2.2, relative luminance). */
export const contrastOf = (a: string, b: string): number => colord(a).contrast(b);

export interface Readable {
  /** Of what stands on it, and of the button on a white page. */
  text: number;
  edge: number;
  /** What is wrong, in words; none is that it can be read. */
  wrong: string[];
}
export function readable({ background, ink }: CallButton['look']): Readable {
  const [text, edge] = [contrastOf(ink, background), contrastOf(background, '#ffffff')];
  return {
    text,
    edge,
    wrong: [
      ...(text < TEXT_CONTRAST
        ? [`What stands on it has a contrast of ${text} to 1; it takes ${TEXT_CONTRAST} to be read by most.`]
        : []),
      ...(edge < EDGE_CONTRAST
        ? [
            `On a white page the button itself has a contrast of ${edge} to 1; it takes ${EDGE_CONTRAST} to be seen.`,
          ]
        : []),
    ],
  };
}

const PADDING = { small: '8px 14px', usual: '12px 20px', large: '16px 28px' } as const;
const FONT = { small: '14px', usual: '16px', large: '20px' } as const;

/** The styles of the button, as they stand in the foreign page. */
export const stylesOf = ({ background, ink, corner, size }: CallButton['look']): Record<string, string> => ({
  display: 'inline-block',
  padding: PADDING[size],
  'border-radius': `${corner}px`,
  background,
  color: ink,
  font: `600 ${FONT[size]}/1.25 system-ui, sans-serif`,
  'text-decoration': 'none',
});
