/**
 * What the trade says for the same thing: in each line the first word is the one that is written here, the others are
 * what a builder may type. Plug and socket, hot and cold: handbook sections 3 and 16; names of adapters: section 5,
 * row 10, and common practice.
 */
const SAME: readonly (readonly string[])[] = [
  ['plug', 'male', 'pins', 'm'],
  ['socket', 'female', 'receptacle', 'holes', 'f'],
  ['hot', 'positive', 'live', '+'],
  ['cold', 'neutral', 'negative', '-', '−'],
  ['screen', 'shield', 'ground', 'earth', 'gnd'],
  ['lead', 'cable', 'cord', 'wire'],
  ['microphone', 'mic', 'mike', 'mics', 'microphones'],
  ['loudspeaker', 'speaker', 'speakers', 'loudspeakers', 'cabinet', 'cab', 'monitor'],
  ['headphones', 'headphone', 'phones', 'earphones', 'cans'],
  ['phono', 'rca', 'phonos'],
  ['6.35', 'jack', 'jacks', 'quarter inch', '1/4', '6.3', '6.5'],
  ['3.5', 'mini jack', 'minijack', 'mini-jack', 'small jack', 'eighth inch', '1/8', 'aux'],
  ['trs', 'stereo jack', 'balanced jack'],
  ['ts', 'mono jack', 'guitar jack'],
  ['25-way d', 'd25', 'd-25', 'db25', 'd-sub', 'dsub', 'd sub'],
  ['5-contact xlr', 'xlr 5', 'xlr5', '5-pin xlr', '5 pin xlr'],
  ['4-contact xlr', 'xlr 4', 'xlr4', '4-pin xlr', '4 pin xlr'],
  ['xlr', 'xlr3', '3-pin xlr', '3 pin xlr', 'xlrs'],
  ['twist-lock', 'twist lock', 'twistlock'],
  ['tablet', 'laptop', 'phone', 'computer', 'player'],
  ['record player', 'record-player', 'turntable', 'record deck', 'tonearm'],
  ['instrument', 'guitar', 'bass'],
  ['pad', 'attenuator'],
  ['split', 'y', 'splitter', 'y-split', 'y split', 'y-lead', 'wye', 'twofer', 'two-way split'],
  ['chain split', 'z', 'x', 'w', 'double-y', 'double y', 'z-lead', 'x-lead', 'w-lead', 'daisy chain'],
  ['turnaround', 'gender changer', 'gender bender', 'sex changer', 'turn-round', 'turnround', 'reverser'],
  ['polarity reverse', 'phase reverse', 'phase flip', 'phase inverter', 'polarity flip', '2-3 swap'],
  ['screen lift', 'ground lift', 'earth lift', 'shield lift', 'pin 1 lift'],
  ['insert', 'send return', 'send and return', 'send/return'],
  [
    'fan-out',
    'fan out',
    'fanout',
    'breakout',
    'break-out',
    'snake',
    'loom',
    'tails',
    'multicore',
    'multipair',
  ],
  ['sum', 'mono sum', 'stereo to mono', 'summing', 'mixer', 'combiner', 'joiner'],
  ['both channels', 'mono to stereo', 'mono to both'],
  ['tell-tale', 'phantom tester', 'phantom checker', 'line checker'],
  ['continuity lamp', 'cable tester', 'bell', 'buzz box', 'buzzer'],
  ['test tail', 'pigtail', 'pin tail'],
  ['shorting plug', 'loopback', 'loop-back'],
  ['volume box', 'volume control', 'level control'],
  ['extension', 'extender', 'prolongation'],
  ['quasi-balanced', 'semi-balanced', 'pseudo-balanced'],
  ['braid', 'car', 'vehicle'],
  ['adapter', 'adaptor', 'barrel', 'convertor', 'converter'],
  ['transformer', 'isolator', 'isolation'],
];

/** Words that say nothing of which lead is meant. */
const SMALL = new Set(['a', 'an', 'the', 'for', 'of', 'on', 'with', 'my', 'and', 'from', 'into', 'to']);

/** From what a builder may type to everything that means the same, the longest first. */
const meanings = (): readonly (readonly [said: string, same: readonly string[]])[] =>
  SAME.flatMap((same) => same.map((said) => [said, same] as const)).sort(
    ([one], [other]) => other.length - one.length,
  );

/** A text in small letters, its words apart by one blank, signs that part words taken out. */
export const plainWords = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[“”"'’,;:()→<>–—]+|->/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** Something that is asked for: the word that was typed, and all that mean the same, itself among them. */
export interface TradeTerm {
  readonly typed: string;
  readonly same: readonly string[];
}

/**
 * What a text asks for, term by term. “female” is met by “socket”, “double-Y” by “chain split”. Words that say nothing
 * are left out, unless there are no others.
 */
export function tradeTerms(text: string): readonly TradeTerm[] {
  const terms: TradeTerm[] = [];
  const small: TradeTerm[] = [];
  const known = meanings();
  let rest = plainWords(text);
  while (rest !== '') {
    const found = known.find(([said]) => rest === said || rest.startsWith(`${said} `));
    const typed = found?.[0] ?? rest.split(' ')[0] ?? rest;
    rest = rest.slice(typed.length).trimStart();
    (!found && SMALL.has(typed) ? small : terms).push({ typed, same: found?.[1] ?? [typed] });
  }
  return terms.length > 0 ? terms : small;
}

/** How often a word, or the beginning of one, is in a text of plain words. */
const count = (text: string, word: string): number => ` ${text}`.split(` ${word}`).length - 1;

/** Signs and letters so short stand for something only by themselves, never as the beginning of another word. */
const ALONE = 2;

/** Whether everything that is asked for is in the words of a thing: what is asked for twice, “jack to jack”, twice. */
export function isMeant(asked: readonly TradeTerm[], words: string): boolean {
  // Each word between blanks of its own, so that none is overlooked beside another.
  const plain = plainWords(words);
  const apart = ` ${plain.replaceAll(' ', '  ')} `;
  const holds = ({ typed, same }: TradeTerm): number =>
    Math.max(
      same.reduce((sum, word) => sum + apart.split(` ${word.replaceAll(' ', '  ')} `).length - 1, 0),
      typed.length > ALONE ? count(plain, typed) : 0,
    );
  return asked.every((term) => holds(term) >= asked.filter(({ same }) => same[0] === term.same[0]).length);
}
