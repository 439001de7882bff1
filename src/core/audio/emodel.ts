/**
 * How good a connection sounds, by the E-model: ITU-T G.107 (narrowband), its formulas and default values from memory. With
 * all defaults it gives R = 93.2 and a mean opinion score of 4.41, as that Recommendation prints.
 */

/** What goes in, by the names of G.107. Those left out have its default values. */
export interface Connection {
  /** Mean one-way delay of the echo path, ms. */
  T: number;
  /** Absolute one-way delay, ms. */
  Ta: number;
  /** Round trip delay in a four-wire loop, ms. */
  Tr: number;
  /** Random packet loss, percent. */
  Ppl: number;
  /** Equipment impairment factor of the codec, and its robustness against loss (G.113). */
  Ie: number;
  Bpl: number;
  /** Burstiness of the loss; 1 is random. */
  BurstR: number;
  /** Talker echo loudness rating, dB. */
  TELR: number;
  /** Room noise at the send and receive side, dB(A). */
  Ps: number;
  Pr: number;
}

const DEFAULTS: Connection = {
  T: 0,
  Ta: 0,
  Tr: 0,
  Ppl: 0,
  Ie: 0,
  Bpl: 4.3,
  BurstR: 1,
  TELR: 65,
  Ps: 35,
  Pr: 35,
};
const SLR = 8;
const RLR = 2;
const OLR = SLR + RLR;
const STMR = 15;
const LSTR = STMR + 3;
const DS = 3;
const WEPL = 110;
const QDU = 1;
const NC = -70;
const NFOR = -64;
const ADVANTAGE = 0;

const sumOfPowers = (...db: number[]): number =>
  10 * Math.log10(db.reduce((sum, x) => sum + 10 ** (x / 10), 0));
const root = (x: number, n: number): number => x ** (1 / n);

/** The transmission rating factor R, 0 (unusable) to 100. */
export function rating(given: Partial<Connection> = {}): number {
  const c = { ...DEFAULTS, ...given };
  // Basic signal-to-noise ratio.
  const nos = c.Ps - SLR - DS - 100 + 0.004 * (c.Ps - OLR - DS - 14) ** 2;
  const pre = c.Pr + 10 * Math.log10(1 + 10 ** ((10 - LSTR) / 10));
  const nor = RLR - 121 + pre + 0.008 * (pre - 35) ** 2;
  const no = sumOfPowers(NC, nos, nor, NFOR + RLR);
  const ro = 15 - 1.5 * (SLR + no);
  // What impairs speech at the same time as it is spoken.
  const xolr = OLR + 0.2 * (64 + no - RLR);
  const iolr = 20 * (root(1 + (xolr / 8) ** 8, 8) - xolr / 8);
  const stmro = -10 * Math.log10(10 ** (-STMR / 10) + Math.exp(-c.T / 4) * 10 ** (-c.TELR / 10));
  const ist =
    12 * root(1 + ((stmro - 13) / 6) ** 8, 8) -
    28 * root(1 + ((stmro + 1) / 19.4) ** 35, 35) -
    13 * root(1 + ((stmro - 3) / 33) ** 13, 13) +
    29;
  const q = 37 - 15 * Math.log10(QDU);
  const g = 1.07 + 0.258 * q + 0.0602 * q * q;
  const y = (ro - 100) / 15 + 46 / 8.4 - g / 9;
  const z = 46 / 30 - g / 40;
  const iq = 15 * Math.log10(1 + 10 ** y + 10 ** z);
  // What impairs it later: echo and delay.
  const terv = c.TELR - 40 * Math.log10((1 + c.T / 10) / (1 + c.T / 150)) + 6 * Math.exp(-0.3 * c.T * c.T);
  const roe = -1.5 * (no - RLR);
  const re = 80 + 2.5 * (terv - 14);
  const idte = ((roe - re) / 2 + Math.sqrt((roe - re) ** 2 / 4 + 100) - 1) * (1 - Math.exp(-c.T));
  const rle = 10.5 * (WEPL + 7) * (c.Tr + 1) ** -0.25;
  const idle = (ro - rle) / 2 + Math.sqrt((ro - rle) ** 2 / 4 + 169);
  const x = c.Ta > 100 ? Math.log10(c.Ta / 100) / Math.log10(2) : 0;
  const idd = c.Ta > 100 ? 25 * (root(1 + x ** 6, 6) - 3 * root(1 + (x / 3) ** 6, 6) + 2) : 0;
  // What the codec and loss take away.
  const loss = c.Ie + (95 - c.Ie) * (c.Ppl / (c.Ppl / c.BurstR + c.Bpl));
  const r = ro - (iolr + ist + iq) - (idte + idle + idd) - loss + ADVANTAGE;
  return Math.max(0, Math.min(100, r));
}

/** The mean opinion score of a rating, 1 (bad) to 4.5 (G.107, annex B, from memory). */
export function opinion(r: number): number {
  if (r <= 0) return 1;
  if (r >= 100) return 4.5;
  return Math.max(1, 1 + 0.035 * r + r * (r - 60) * (100 - r) * 7e-6);
}

/** How a rating is told, by the categories of G.109 (from memory): 80 and more satisfies, below 60 nearly all are not. */
export function soundsLike(r: number): 'good' | 'fair' | 'poor' | 'bad' {
  if (r >= 80) return 'good';
  if (r >= 70) return 'fair';
  return r >= 60 ? 'poor' : 'bad';
}

/** What codecs take away, and how well they stand loss: Ie and Bpl of G.113 (G.711 with loss concealment; from memory). */
export const CODEC: Record<'pcm' | 'other', Pick<Connection, 'Ie' | 'Bpl'>> = {
  pcm: { Ie: 0, Bpl: 25.1 },
  // No value was found for Opus and G.722 in this narrowband model: taken as G.711 with concealment. No source.
  other: { Ie: 0, Bpl: 25.1 },
};
