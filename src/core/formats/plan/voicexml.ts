/** A menu as a VoiceXML 2.1 document (W3C Recommendation of 19 June 2007). */
import { XMLBuilder } from 'fast-xml-parser';
import { stepInWords } from '../../answering';
import { forXml } from '../clean';
import type { MenuStep, Step, System } from '../../system';

type Node = Record<string, unknown>;
const element = (name: string, attributes: Record<string, string>, content: Node[] = []): Node => ({
  [name]: content,
  ':@': Object.fromEntries(Object.entries(attributes).map(([k, v]) => [`@_${k}`, forXml(v)])),
});
const text = (t: string): Node => ({ '#text': forXml(t) });

/** Writes a menu with the menus below it, each as a form of its own; the other steps stand as what is said of them. */
export function writeVoiceXml(menu: MenuStep, system: System): string {
  const dialogs: Node[] = [];
  const said = (id: string | null | undefined) => (id ? (system.recordings[id]?.text ?? '') : '');
  const prompt = (words: string): Node[] => (words ? [element('prompt', {}, [text(words)])] : []);

  const addMenu = (step: MenuStep, id: string, before = id) => {
    const choices = step.branches.filter((b) => b.key.length === 1);
    const node = element('menu', { id, dtmf: 'false' }, [
      element('property', { name: 'timeout', value: `${step.seconds}s` }),
      ...prompt(said(step.recordingId)),
      ...choices.map((b) =>
        element('choice', { dtmf: b.key, next: `#${id}-${nameOf(b.key)}` }, [text(`key ${b.key}`)]),
      ),
      ...(step.againKey ? [element('choice', { dtmf: step.againKey, next: `#${id}` }, [text('again')])] : []),
      ...(step.backKey
        ? [element('choice', { dtmf: step.backKey, next: `#${before}` }, [text('back')])]
        : []),
      ...['noinput', 'nomatch'].flatMap((event) => [
        ...(step.tries > 1 ? [element(event, {}, [element('reprompt', {})])] : []),
        element(event, { count: String(step.tries) }, [element('goto', { next: `#${id}-otherwise` })]),
      ]),
    ]);
    dialogs.push(node);
    for (const b of choices) addSteps(b.steps, `${id}-${nameOf(b.key)}`, id);
    addSteps(step.otherwise, `${id}-otherwise`, before);
  };
  const addSteps = (steps: readonly Step[], id: string, before: string) => {
    const [first] = steps;
    if (first?.kind === 'menu') return addMenu(first, id, before);
    const content = steps.flatMap((step): Node[] => {
      if (step.kind === 'play') return prompt(said(step.recordingId));
      if (step.kind === 'ring' && step.targets.length === 1 && step.targets[0]!.kind === 'person') {
        const person = system.people[step.targets[0]!.id];
        return person
          ? [element('assign', { name: 'dest', expr: `'sip:${person.extension}@pbx.example'` })]
          : [];
      }
      if (step.kind === 'end') return [element('exit', {})];
      const { verb, what } = stepInWords(step, system);
      return [element('log', {}, [text(`${verb} ${what}`)])];
    });
    const transfers = content.some((n) => 'assign' in n);
    dialogs.push(
      element('form', { id }, [
        element('block', {}, content.length ? content : [element('exit', {})]),
        ...(transfers ? [element('transfer', { name: 'call', destexpr: 'dest', type: 'bridge' })] : []),
      ]),
    );
  };
  addMenu(menu, 'menu');
  const xml = new XMLBuilder({
    preserveOrder: true,
    ignoreAttributes: false,
    format: true,
    suppressEmptyNode: true,
  }).build([
    element('?xml', { version: '1.0', encoding: 'UTF-8' }, [text('')]),
    element('vxml', { version: '2.1', xmlns: 'http://www.w3.org/2001/vxml', 'xml:lang': 'en' }, [
      element('var', { name: 'dest' }),
      ...dialogs,
    ]),
  ]) as string;
  return `${xml.trim()}\n`;
}

/** Keys in ids: letters and digits only. */
const nameOf = (key: string): string => (key === '*' ? 'star' : key === '#' ? 'square' : key);
