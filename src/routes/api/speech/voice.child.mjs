// The voice, in a process of its own: eSpeak NG, which is under the GPL 3.0, is loaded here and nowhere else. It is asked by
// messages, and answers with samples.

/** Words a minute as it speaks by itself. */
const USUAL_RATE = 175;

let ready;
const voice = () =>
  (ready ??= import('@echogarden/espeak-ng-emscripten').then(async ({ default: start }) => {
    const { eSpeakNGWorker } = await start();
    return new eSpeakNGWorker();
  }));

/** One voice for each language, by the name it is asked for. */
async function languages() {
  const found = new Map();
  for (const { name, languages } of (await voice()).list_voices()) {
    const own = languages[0]?.name;
    if (own && !found.has(own)) found.set(own, name);
  }
  return [...found].map(([id, name]) => ({ id, name })).sort((a, b) => a.name.localeCompare(b.name, 'en'));
}

async function speak({ text, language, speed }) {
  const speaker = await voice();
  if (speaker.set_voice(language) !== 0) return null;
  speaker.set_rate(Math.round(USUAL_RATE * speed));
  const parts = [];
  speaker.synthesize(text, (samples) => {
    if (samples?.length) parts.push(samples.slice());
    return false;
  });
  const samples = new Int16Array(parts.reduce((all, p) => all + p.length, 0));
  let at = 0;
  for (const part of parts) {
    samples.set(part, at);
    at += part.length;
  }
  return { samples, rate: speaker.get_samplerate() };
}

process.on('disconnect', () => process.exit());
process.on('message', async (asked) => {
  try {
    const answer = asked.what === 'languages' ? await languages() : await speak(asked);
    process.send({ ok: true, answer });
  } catch (error) {
    const absent = error?.code === 'ERR_MODULE_NOT_FOUND';
    process.send({ ok: false, absent, message: String(error?.message ?? error) });
  }
});
