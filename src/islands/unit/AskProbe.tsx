import { createElement, useImperativeHandle, useRef, useState, type RefObject } from 'react';
import { flushSync } from 'react-dom';
import { placeOf, sayTerminal } from '../../core/assembly';
import {
  answerOf,
  isProbe,
  readFigure,
  sayEach,
  sayExpectation,
  type Answer,
  type Probe,
} from '../../core/proving';
import { unitNumber } from '../../core/kit';
import {
  formatResistance,
  parseCapacitance,
  parseResistance,
  parseVolts,
  type Result,
} from '../../core/quantity';
import type { KnownGood } from '../../server/units/known-good';
import { Button, useLater } from '../../ui';
import { useTyped } from '../kept';
import styles from './Unit.module.css';
import type { ReadingField } from './useTypingMeter';
import type { UnitOnPage } from './useUnit';

/** It is fetched where a meter is plugged in. */
const loadLive = async () => (await import('./LiveMeter')).LiveMeter;

interface Set {
  readonly unit: string;
  readonly says: string;
  readonly answer: (text: string) => Result<Answer>;
}

const read =
  (parse: (text: string, path: string) => Result<number>, as: (value: number) => Answer) =>
  (text: string): Result<Answer> => {
    const found = parse(text, 'reading');
    return found.ok ? { ok: true, value: as(found.value) } : found;
  };

/** What the meter is set to for a probe, and how its figure is read. */
const SETTINGS: Readonly<Record<NonNullable<Probe['mode']> | 'ohms', Set>> = {
  ohms: { unit: 'Ω', says: '', answer: read(parseResistance, (ohms) => ({ kind: 'ohms', ohms })) },
  diode: {
    unit: 'V',
    says: 'Set the meter to its diode test: red and black count.',
    answer: read(parseVolts, (volts) => ({ kind: 'volts', volts })),
  },
  capacitance: {
    unit: 'µF',
    says: 'Set the meter to capacitance. Nothing else may touch the two.',
    answer: read(parseCapacitance, (farads) => ({ kind: 'farads', farads })),
  },
};

const sayTurn = (turn: number): string =>
  turn <= 0
    ? 'Turn the control fully down.'
    : turn >= 1
      ? 'Turn the control fully up.'
      : 'Turn the control half up.';

/** What is to be done with the shorting plug: after the reading before, and for this one. */
function sayPlug({ proof, readings }: UnitOnPage, { shorting }: Probe): string {
  const before = proof.check(readings.at(-1)?.probe ?? '');
  const last = before && isProbe(before) ? before.shorting : undefined;
  if (shorting === undefined)
    return last === undefined ? '' : `Take the shorting plug off end ${last} first.`;
  return last === shorting
    ? `The shorting plug stays on end ${shorting}.`
    : `Put the shorting plug on end ${shorting} first: all its contacts are one then.`;
}

interface Asked {
  readonly probe: Probe;
  readonly page: UnitOnPage;
  readonly onAnswer: (answer: Answer) => void;
  /** Whether it may be passed by: what hid it is closed already. */
  readonly mayPass: boolean;
  /** Whether a meter is plugged in. */
  readonly isLive: boolean;
  /** What a unit of the same lead read that is proven. */
  readonly known: KnownGood | undefined;
  /** Where a device that types finds the field. */
  readonly into: RefObject<ReadingField | null>;
}

/** The figure that the meter shows, or what it says without one. */
function FigureForm({ probe, page, onAnswer, mayPass, isLive, into }: Asked) {
  const [text, setText] = useTyped(`reading:${page.unit.id}:${probe.id}`);
  const [problem, setProblem] = useState('');
  const field = useRef<HTMLInputElement>(null);
  const set = SETTINGS[probe.mode ?? 'ohms'];
  const isOhms = probe.mode === undefined;
  const submit = (typed = text): void => {
    // With an exponent it is as instruments say it, in Ω, V or F; else as a hand types it.
    const figure = /E/i.test(typed) ? readFigure(typed) : undefined;
    const answer: Result<Answer> =
      figure === undefined ? set.answer(typed) : { ok: true, value: answerOf(probe, figure) };
    if (answer.ok) {
      setText('');
      onAnswer(answer.value);
    } else setProblem(answer.problems[0]?.says ?? '');
  };
  useImperativeHandle(into, () => ({
    input: field.current,
    // At once: what is typed next is added to it.
    type: (more) => flushSync(() => setText(text + more)),
    take(line) {
      setText(line);
      submit(line);
    },
  }));
  return (
    <>
      <form
        className={styles['reading']}
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
      >
        <label>
          Reading, {set.unit}{' '}
          <input
            ref={field}
            value={text}
            inputMode="decimal"
            autoComplete="off"
            aria-invalid={problem !== ''}
            aria-describedby="reading-problem"
            onChange={(event) => setText(event.target.value)}
            onKeyDown={(event) => event.key === 'Escape' && field.current?.blur()}
          />
        </label>
        <Button type="submit" big {...(isLive ? {} : { look: 'main' as const })}>
          Take it
        </Button>
        {/* Where its figure is here nobody listens for a beep. */}
        {isOhms && !isLive && (
          <>
            <Button big onClick={() => onAnswer({ kind: 'beep' })}>
              Beep
            </Button>
            <Button big onClick={() => onAnswer({ kind: 'silent' })}>
              No beep
            </Button>
          </>
        )}
        {isOhms && (
          <>
            <Button big onClick={() => onAnswer({ kind: 'unsteady' })}>
              It jumps
            </Button>
          </>
        )}
        {mayPass && (
          <Button big onClick={() => onAnswer({ kind: 'skipped' })}>
            Cannot be reached
          </Button>
        )}
      </form>
      <p id="reading-problem" role="alert" className={styles['problem']}>
        {problem}
      </p>
    </>
  );
}

/** One probe, large: where red and black go, what it should read, and the reading. */
export function AskProbe(asked: Asked) {
  const { probe, page, onAnswer, isLive, known } = asked;
  const beside = known?.ohms[probe.id];
  const LiveMeter = useLater(loadLive, isLive, 0);
  const plug = sayPlug(page, probe);
  /** Whose contact it is, where the end at hand is hidden by a proven lead. */
  const ofWhich = (terminal: string): string =>
    probe.series !== undefined && terminal.startsWith(`${probe.series}.`)
      ? ` of ${known ? unitNumber(known.number) : 'the proven lead'}`
      : '';
  const set = SETTINGS[probe.mode ?? 'ohms'];
  const isOhms = probe.mode === undefined;
  const say = (terminal: string): string =>
    placeOf(page.assembly, terminal)?.kind === 'contact' ? terminal : sayTerminal(page.assembly, terminal);
  // Of a part that is the same either way round nobody asks which leg is which.
  const [red, black] = probe.says.startsWith('across ')
    ? [`one leg of ${probe.says.slice('across '.length)}`, 'its other leg']
    : [say(probe.red), say(probe.black[0] ?? '')];
  return (
    <>
      <h2 className={styles['title']}>
        <span className={styles['red']}>
          Red on {red}
          {ofWhich(probe.red)}
        </span>
        <br />
        <span className={styles['blackLead']}>
          black {probe.black.length > 1 ? `on each of ${sayEach(page.assembly, probe.black)}` : `on ${black}`}
          {ofWhich(probe.black[0] ?? '')}
        </span>
      </h2>
      {plug !== '' && <p className={styles['expect']}>{plug}</p>}
      {probe.turn !== undefined && <p className={styles['expect']}>{sayTurn(probe.turn)}</p>}
      <p className={styles['expect']}>
        Should read <b>{sayExpectation(page.proof.expects(probe))}</b>
      </p>
      {known && beside !== undefined && (
        <p>
          {unitNumber(known.number)}, made alike and proven, reads {formatResistance(beside)}.
        </p>
      )}
      {set.says !== '' && <p>{set.says}</p>}
      {probe.kind === 'path' && isOhms && (
        <p>
          Null the meter’s own leads first. Wiggle each end while watching: the figure must stay within 0.1 Ω.
        </p>
      )}
      {isLive &&
        (LiveMeter ? createElement(LiveMeter, { probe, onAnswer }) : <div className={styles['live']} />)}
      <FigureForm {...asked} />
    </>
  );
}
