/** A plan as boxes and lines, laid out from top to bottom. */
import { Graph, layout } from '@dagrejs/dagre';
import { branchInWords, layOut, readingOf, stepInWords } from '../../answering';
import { listsOf, type Plan, type Step, type System } from '../../system';

export interface Box {
  id: string;
  /** Middle of the box, in pixels. */
  x: number;
  y: number;
  width: number;
  height: number;
  kind: Step['kind'] | 'start' | 'cut off';
  title: string;
  /** What it does, in lines that fit. */
  lines: string[];
}
export interface Line {
  points: { x: number; y: number }[];
  label: string;
  /** Where the label stands. */
  at: { x: number; y: number };
}
export interface Picture {
  width: number;
  height: number;
  boxes: Box[];
  lines: Line[];
}

const WIDTH = 190;
/** About so many letters fit into a line of a box. */
const LETTERS = 30;
const LINE_HEIGHT = 15;
const CUT_OFF = ' cut off';

/** Lays a plan out. A call that runs out of steps ends in a box that says so. */
export function pictureOf(plan: Plan, system: System): Picture {
  const route = layOut(plan);
  const graph = new Graph({ multigraph: true }).setGraph({
    rankdir: 'TB',
    nodesep: 26,
    ranksep: 38,
    marginx: 12,
    marginy: 12,
  });
  const add = (id: string, kind: Box['kind'], title: string, what: string) => {
    const lines = what ? wrapped(what) : [];
    graph.setNode(id, { width: WIDTH, height: 24 + lines.length * LINE_HEIGHT, kind, title, lines });
  };
  const numbers = Object.values(system.numbers).filter((n) => n.planId === plan.id);
  add('start', 'start', plan.name, numbers.map((n) => n.label).join(', '));
  let cut = false;
  const edge = (from: string, to: string | null, label: string) => {
    if (to === null && !cut) {
      cut = true;
      add(CUT_OFF, 'cut off', 'The plan ends here', '');
    }
    const text = label.length > 34 ? `${label.slice(0, 33)}…` : label;
    graph.setEdge(
      from,
      to ?? CUT_OFF,
      { label: text, width: text.length * 6, height: 14, labelpos: 'c' },
      `${from} ${to} ${text}`,
    );
  };
  for (const { step } of route.stops.values()) {
    const { verb, what } = stepInWords(step, system);
    add(step.id, step.kind, verb, what);
  }
  edge('start', route.first, '');
  for (const { step, next, branches, otherwise } of route.stops.values()) {
    const reading = readingOf(step);
    const ways = reading.waysOn(route.stops.get(step.id)!);
    if (!ways.length) continue;
    for (const [branch] of listsOf(step))
      edge(
        step.id,
        branch < 0 ? otherwise : branches[branch]!,
        branchInWords(step, branch, system).split(' · ')[0]!,
      );
    if (reading.onward !== null) edge(step.id, next, reading.onward ?? '');
  }
  layout(graph);
  const size = graph.graph() as { width?: number; height?: number };
  return {
    width: Math.ceil(size.width ?? 0),
    height: Math.ceil(size.height ?? 0),
    boxes: graph.nodes().map((id) => {
      const n = graph.node(id) as unknown as Omit<Box, 'id'>;
      return {
        id,
        x: n.x,
        y: n.y,
        width: n.width,
        height: n.height,
        kind: n.kind,
        title: n.title,
        lines: n.lines,
      };
    }),
    lines: graph.edges().map((e) => {
      const found = graph.edge(e) as unknown as {
        points: Line['points'];
        label: string;
        x?: number;
        y?: number;
      };
      const middle = found.points[Math.floor(found.points.length / 2)]!;
      return {
        points: found.points,
        label: found.label,
        at: { x: found.x ?? middle.x, y: found.y ?? middle.y },
      };
    }),
  };
}

/** Text in lines of at most so many letters, three at most. */
function wrapped(text: string): string[] {
  const lines: string[] = [''];
  for (const word of text.split(' ')) {
    const last = lines.at(-1)!;
    if (last && last.length + word.length + 1 > LETTERS) lines.push(word);
    else lines[lines.length - 1] = last ? `${last} ${word}` : word;
  }
  if (lines.length <= 3) return lines;
  return [...lines.slice(0, 2), `${lines[2]!.slice(0, LETTERS - 1)}…`];
}
