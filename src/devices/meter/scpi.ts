import { eventBit, SCPI_ERRORS, type ScpiError } from './errors';
import { isPath, readMessage, type Unit } from './message';
import type { Setting, Touched, UnderTest } from './under-test';

/** What a hand and a meter add to a reading. */
export interface Unrest {
  /** How far a reading wanders, a share. */
  readonly noise: number;
  /** How many readings after the leads were put somewhere else are still of a contact that bounces. */
  readonly bounce: number;
  /** From 0 up to 1, by a seed. */
  readonly chance: () => number;
}
export const AT_REST: Unrest = { noise: 0, bounce: 0, chance: () => 0.5 };

/** What an instrument shows for a figure that it cannot reach (SCPI 1999, volume 1, section 7.2.1.4; from memory). */
export const OVERLOAD = 9.9e37;
const QUEUE = 20;
const POWER_ON = 128;
/** Ranges by what they are set to, in the unit of each. */
const RANGES: Readonly<Record<Setting, { readonly least: number; readonly most: number }>> = {
  RES: { least: 100, most: 1e8 },
  CONT: { least: 1000, most: 1000 },
  DIOD: { least: 1, most: 10 },
  CAP: { least: 1e-9, most: 1e-2 },
};
/** A range shows a fifth more than it is called by. */
const OVER = 1.2;
const FUNCTIONS = [
  ['RESistance', 'RES'],
  ['CONTinuity', 'CONT'],
  ['DIODe', 'DIOD'],
  ['CAPacitance', 'CAP'],
] as const;

/** A figure as it is sent: +4.70000000E+03. */
export function sayFigure(value: number): string {
  const [digits = '0', exponent = '0'] = (Number.isFinite(value) ? value : OVERLOAD)
    .toExponential(8)
    .split('e');
  const power = Number(exponent);
  return `${digits.startsWith('-') ? '' : '+'}${digits}E${power < 0 ? '-' : '+'}${String(Math.abs(power)).padStart(2, '0')}`;
}

const figure = (text: string): number | undefined => {
  const value = Number(text);
  return text.trim() !== '' && Number.isFinite(value) ? value : undefined;
};

/** What a command answers: a text, nothing, or an error. */
type Answer = string | undefined | { readonly error: ScpiError };

/**
 * A meter that is spoken to: what it is set to, where its leads are, what went wrong. One message at a time; it knows nothing of whoever sends it. Program
 * messages by IEEE 488.2 and SCPI 1999, as far as a meter needs them; `ROUTe:PROBe`, `ROUTe:OPEN` and `ROUTe:TURN` stand for the hands that a
 * real one has.
 */
export class ScpiMeter {
  private readonly queue: ScpiError[] = [];
  private events = POWER_ON;
  private enabled = { events: 0, service: 0 };
  private set: Setting = 'RES';
  private range: number | undefined;
  private touched: Touched = { red: '', black: [], turn: 0 };
  private restless = 0;

  constructor(
    private readonly lead: UnderTest,
    private readonly unrest: Unrest = AT_REST,
  ) {}

  /** Takes a program message, and gives what it answers: the answers of its queries, parted by semicolons; nothing where it has none. */
  take(line: string): string | undefined {
    const answers: string[] = [];
    for (const unit of readMessage(line)) {
      const answer = 'error' in unit ? unit : this.answer(unit);
      if (typeof answer === 'object') this.fail(answer.error);
      else if (answer !== undefined) answers.push(answer);
    }
    return answers.length > 0 ? answers.join(';') : undefined;
  }

  /** Keeps an error for whoever asks: the last place says that there were more. */
  fail(error: ScpiError): void {
    this.events |= eventBit(error);
    if (this.queue.length < QUEUE) this.queue.push(error);
    else this.queue[QUEUE - 1] = -350;
  }

  private answer(unit: Unit): Answer {
    const { path, isQuery, args } = unit;
    const [first = ''] = path;
    if (first.startsWith('*')) return this.common(first, isQuery, args);
    const is = (command: string): boolean => isPath(command, path);
    for (const [name, set] of FUNCTIONS) {
      if (is(`MEASure[:SCALar]:${name}`)) return isQuery ? this.configure(set, args, true) : { error: -113 };
      if (is(`CONFigure[:SCALar]:${name}`))
        return isQuery ? { error: -113 } : this.configure(set, args, false);
    }
    if (is('CONFigure') && isQuery)
      return `"${this.set} ${this.range === undefined ? 'AUTO' : sayFigure(this.range)}"`;
    if (is('READ') && isQuery) return this.read();
    if (is('ROUTe:PROBe')) return isQuery ? this.whereProbes() : this.probe(args);
    if (is('ROUTe:OPEN[:ALL]') && !isQuery) return this.lift(args);
    if (is('ROUTe:TURN')) return isQuery ? sayFigure(this.touched.turn) : this.turn(args);
    if (is('SYSTem:ERRor[:NEXT]') && isQuery) return this.nextError();
    if (is('SYSTem:ERRor:COUNt') && isQuery) return String(this.queue.length);
    if (is('SYSTem:VERSion') && isQuery) return '1999.0';
    return { error: -113 };
  }

  private common(command: string, isQuery: boolean, args: readonly string[]): Answer {
    const mask = (which: 'events' | 'service'): Answer => {
      if (isQuery) return String(this.enabled[which]);
      if (args.length === 0) return { error: -109 };
      const value = figure(args[0] ?? '');
      if (value === undefined) return { error: -120 };
      if (value < 0 || value > 255 || !Number.isInteger(value)) return { error: -222 };
      this.enabled = { ...this.enabled, [which]: value };
      return undefined;
    };
    if (command === '*ESE') return mask('events');
    if (command === '*SRE') return mask('service');
    if (args.length > 0) return { error: -108 };
    const asked = `${command}${isQuery ? '?' : ''}`;
    switch (asked) {
      case '*IDN?':
        return 'Antler,Stand-in meter,0,1';
      case '*RST':
        this.set = 'RES';
        this.range = undefined;
        return undefined;
      case '*CLS':
        this.queue.length = 0;
        this.events = 0;
        return undefined;
      case '*ESR?': {
        const was = this.events;
        this.events = 0;
        return String(was);
      }
      case '*STB?': {
        const summary =
          (this.queue.length > 0 ? 4 : 0) | ((this.events & this.enabled.events) !== 0 ? 32 : 0);
        return String(summary | ((summary & this.enabled.service) !== 0 ? 64 : 0));
      }
      case '*OPC':
        this.events |= 1;
        return undefined;
      case '*OPC?':
        return '1';
      case '*TST?':
        return '0';
      case '*WAI':
        return undefined;
      default:
        return { error: -113 };
    }
  }

  private nextError(): string {
    const error = this.queue.shift();
    return error === undefined ? '0,"No error"' : `${error},"${SCPI_ERRORS[error]}"`;
  }

  private configure(set: Setting, args: readonly string[], read: boolean): Answer {
    if (args.length > 2) return { error: -108 };
    const [wanted = 'AUTO'] = args;
    const { least, most } = RANGES[set];
    let range: number | undefined;
    if (!/^(AUTO|DEF|DEFAULT)$/i.test(wanted)) {
      const value = /^MIN(IMUM)?$/i.test(wanted)
        ? least
        : /^MAX(IMUM)?$/i.test(wanted)
          ? most
          : figure(wanted);
      if (value === undefined) return { error: -120 };
      if (value < 0 || value > most) return { error: -222 };
      // The next range that holds it, as a knob has it: tens.
      range = Math.max(least, 10 ** Math.ceil(Math.log10(Math.max(value, least)) - 1e-9));
    }
    this.set = set;
    this.range = range;
    return read ? this.read() : undefined;
  }

  private probe(args: readonly string[]): Answer {
    const [red = '', ...black] = args;
    if (args.length < 2) return { error: -109 };
    if (![red, ...black].every((each) => this.lead.has(each))) return { error: -224 };
    this.touched = { ...this.touched, red, black };
    this.restless = this.unrest.bounce;
    return undefined;
  }

  private lift(args: readonly string[]): Answer {
    if (args.length > 0) return { error: -108 };
    this.touched = { ...this.touched, red: '', black: [] };
    return undefined;
  }

  private whereProbes(): string {
    const { red, black } = this.touched;
    return [red, ...black].map((each) => `"${each}"`).join(',');
  }

  private turn(args: readonly string[]): Answer {
    if (args.length === 0) return { error: -109 };
    const turn = figure(args[0] ?? '');
    if (turn === undefined) return { error: -120 };
    if (turn < 0 || turn > 1) return { error: -222 };
    this.touched = { ...this.touched, turn };
    return undefined;
  }

  private read(): Answer {
    const { red, black } = this.touched;
    // Its leads are on nothing: a real one shows overload too.
    if (red === '' || black.length === 0) return sayFigure(OVERLOAD);
    const { noise, chance } = this.unrest;
    const steady = this.lead.reads(this.set, this.touched);
    if (this.restless > 0) {
      this.restless--;
      return sayFigure(chance() < 0.5 ? OVERLOAD : steady * (1 + 5 * chance()) + chance());
    }
    const value = steady * (1 + noise * (2 * chance() - 1));
    return sayFigure(this.range !== undefined && value > this.range * OVER ? OVERLOAD : value);
  }
}
