/** Plans as files and pictures. */
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../../tests/fixtures/yard';
import { demoSystem } from '../../../../demo/lantern-cove';
import { planInWords } from '../../answering';
import { emptySystem, newBusiness, type MenuStep } from '../../system';
import { pictureOf, planSvg } from '../picture';
import { readPlan, writePlan, writeVoiceXml } from '.';

let made = 0;
const freshId = (kind: string) => `${kind}-x${++made}`;
const demo = demoSystem();
const service = demo.plans.service!;

describe('a plan as JSON', () => {
  it('comes back where it was with the same words, under a name of its own', () => {
    const read = readPlan(writePlan(service, demo), demo, freshId);
    if (!read.ok) throw new Error(read.message);
    const after = edited(demo, read.commands);
    const plan = after.plans[read.planId]!;
    expect(plan.name).toBe('Service menu 2');
    expect(planInWords(plan, after)).toBe(planInWords(service, demo));
    expect(read.left).toEqual([]);
  });
  it('brings what it needs into another business, and says who is not there', () => {
    const other = emptySystem(newBusiness({ name: 'Other', country: 'US', timeZone: 'America/New_York' }));
    const read = readPlan(writePlan(service, demo), other, freshId);
    if (!read.ok) throw new Error(read.message);
    const after = edited(other, read.commands);
    expect(Object.keys(after.recordings).sort()).toContain('service-menu');
    expect(Object.keys(after.queues)).toEqual(['front-queue']);
    expect(read.left).toContain('People who are not here are left out.');
    expect(JSON.stringify(after.plans)).not.toContain('"rosa"');
  });
  it('of a newer version, damaged, or of something else is refused', () => {
    const text = writePlan(service, demo);
    const newer = readPlan(text.replace(/"version": \d+/, '"version": 99'), demo, freshId);
    expect(newer).toMatchObject({ ok: false, message: expect.stringContaining('of version 99') });
    expect(readPlan(text.replace('"kind": "menu"', '"kind": "lift"'), demo, freshId)).toMatchObject({
      ok: false,
      message: expect.stringContaining('damaged at'),
    });
    expect(readPlan('{"format":"something"}', demo, freshId)).toMatchObject({
      ok: false,
      message: expect.stringContaining('not a plan'),
    });
    expect(readPlan('{', demo, freshId)).toMatchObject({
      ok: false,
      message: expect.stringContaining('cut off'),
    });
  });
});

// VoiceXML 2.1 (W3C Recommendation, 2007) takes over <menu>, <choice dtmf>, <noinput> and <nomatch> from VoiceXML 2.0 §2.2, §5.2.
describe('a menu as VoiceXML', () => {
  const menu = service.steps.find((s): s is MenuStep => s.kind === 'menu')!;
  const xml = writeVoiceXml(menu, demo);
  const { vxml } = new XMLParser({
    ignoreAttributes: false,
    isArray: (n) => ['menu', 'form', 'choice'].includes(n),
  }).parse(xml) as {
    vxml: {
      '@_version': string;
      menu: { '@_id': string; prompt: string; choice: { '@_dtmf': string; '@_next': string }[] }[];
      form: { '@_id': string }[];
    };
  };
  it('has a choice for each key, which leads to a dialog that is there', () => {
    expect(XMLValidator.validate(xml)).toBe(true);
    expect(vxml['@_version']).toBe('2.1');
    const first = vxml.menu.find((m) => m['@_id'] === 'menu')!;
    expect(first.choice.map((c) => c['@_dtmf'])).toEqual(['1', '4', '7']);
    expect(first.prompt).toContain('For a boat on the slip press 1.');
    const dialogs = [...vxml.menu, ...vxml.form].map((d) => `#${d['@_id']}`);
    for (const m of vxml.menu) for (const c of m.choice) expect(dialogs).toContain(c['@_next']);
    expect(new Set(dialogs).size).toBe(dialogs.length);
  });
  it('has a menu below it as a dialog of its own', () => {
    expect(vxml.menu.map((m) => m['@_id'])).toEqual(expect.arrayContaining(['menu', 'menu-4']));
  });
});

describe('a plan as a picture', () => {
  it('has a box for each step and no two on top of each other', () => {
    const { boxes, lines, width, height } = pictureOf(service, demo);
    expect(boxes.some((b) => b.title === 'Menu')).toBe(true);
    for (const [i, a] of boxes.entries()) {
      expect(a.x - a.width / 2).toBeGreaterThanOrEqual(0);
      expect(a.x + a.width / 2).toBeLessThanOrEqual(width);
      expect(a.y + a.height / 2).toBeLessThanOrEqual(height);
      for (const b of boxes.slice(i + 1))
        expect(
          Math.abs(a.x - b.x) < (a.width + b.width) / 2 && Math.abs(a.y - b.y) < (a.height + b.height) / 2,
        ).toBe(false);
    }
    expect(lines.map((l) => l.label)).toEqual(expect.arrayContaining(['Key 1', 'Blocked', '60 % of calls']));
  });
  it('says where a caller is cut off', () => {
    const cut = edited(yard(), [{ do: 'step.remove', planId: 'rosa-plan', stepId: 'vm-rosa' }]);
    expect(planSvg(cut.plans['rosa-plan']!, cut)).toContain('The plan ends here');
  });
  it('keeps what people type as text', () => {
    const name = '<script>alert(1)</script>&"';
    const hostile = edited(yard(), [{ do: 'plan.set', id: 'main-plan', change: { name } }]);
    const svg = planSvg(hostile.plans['main-plan']!, hostile);
    expect(XMLValidator.validate(svg)).toBe(true);
    expect(svg).not.toContain('<script');
    const { svg: root } = new XMLParser().parse(svg) as { svg: { title: string } };
    expect(root.title).toContain('alert(1)');
  });
});
