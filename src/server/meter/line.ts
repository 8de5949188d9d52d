import { connect, type Socket } from 'node:net';
import { readFigure } from '../../core/proving';

/** What a meter can be asked to measure, by what it is set to: Ω, V and F. */
export const METER_MODES = ['ohms', 'diode', 'capacitance'] as const;
export type MeterMode = (typeof METER_MODES)[number];

const QUERIES: Readonly<Record<MeterMode, string>> = {
  ohms: 'MEAS:RES?',
  diode: 'MEAS:DIOD?',
  capacitance: 'MEAS:CAP?',
};

/** How long a connection may take, and an answer: a meter that looks for its range takes a second or two, ms. */
export interface Patience {
  readonly connectMs: number;
  readonly answerMs: number;
  /** After how long a line that nobody asks over is let go. */
  readonly idleMs: number;
  /** The shortest and the longest wait before a meter that was away is tried again. */
  readonly againMs: readonly [number, number];
}
const PATIENCE: Patience = { connectMs: 1_500, answerMs: 5_000, idleMs: 30_000, againMs: [300, 5_000] };
/** No answer is longer, bytes. */
const LONGEST = 512;

/** The meter gives no figure now: why, in words. */
export class MeterAway extends Error {}

interface Pending {
  readonly heard: (line: string) => void;
  readonly failed: (error: MeterAway) => void;
}

/** What was said, as it may be shown: printable, and not too much of it. */
const shown = (text: string): string => {
  const plain = text.replace(/[^\x20-\x7e]/g, ' ').trim();
  return plain.length > 40 ? `${plain.slice(0, 40)}…` : plain;
};

/**
 * A meter at the other end of a line: plain TCP, a line a message, by IEEE 488.2 and SCPI. One question at a time. Whatever may bring question and answer
 * out of step – an answer too late, one that nobody asked for, one too many – ends the connection: a figure is never that of the question before. It is
 * opened when it is asked over, again after a while when it broke, and let go when nobody asks.
 */
export class MeterLine {
  #socket: Socket | undefined;
  #pending: Pending | undefined;
  #rest = '';
  #turn: Promise<unknown> = Promise.resolve();
  #idle: NodeJS.Timeout | undefined;
  #wait = 0;
  #notBefore = 0;
  #why = '';

  constructor(
    private readonly at: { readonly host: string; readonly port: number },
    private readonly patience: Patience = PATIENCE,
  ) {}

  /** Measures now. Errors: {@link MeterAway}, with why. */
  measure(mode: MeterMode): Promise<number> {
    const mine = this.#turn.then(() => this.#measure(mode));
    this.#turn = mine.catch(() => undefined);
    return mine;
  }

  close(): void {
    this.#lose(new MeterAway('The meter was let go.'), 0);
  }

  async #measure(mode: MeterMode): Promise<number> {
    clearTimeout(this.#idle);
    if (!this.#socket) await this.#open();
    const answer = await this.#ask(QUERIES[mode]);
    const figure = readFigure(answer);
    if (figure === undefined) throw await this.#noFigure(answer);
    this.#wait = 0;
    this.#idle = setTimeout(() => this.close(), this.patience.idleMs);
    this.#idle.unref();
    return figure;
  }

  /** Why an answer is no figure, as the meter itself says where it does. */
  async #noFigure(answer: string): Promise<MeterAway> {
    const said = Number(answer) < 0 ? 'Its figure is below nothing: is something live on the lead?' : '';
    if (said !== '') return new MeterAway(said);
    const error = await this.#ask('SYST:ERR?').catch(() => '');
    return new MeterAway(
      `What the meter says is no figure: “${shown(answer)}”${/^[+-]?0*,/.test(error) || error === '' ? '' : `, “${shown(error)}”`}.`,
    );
  }

  async #open(): Promise<void> {
    if (Date.now() < this.#notBefore) throw new MeterAway(this.#why);
    const { host, port } = this.at;
    const socket = connect({ host, port });
    this.#socket = socket;
    this.#rest = '';
    socket.setEncoding('latin1');
    socket.setNoDelay(true);
    const away = (why: string): void => {
      if (this.#socket === socket) this.#lose(new MeterAway(why));
      socket.destroy();
    };
    const gone = `The meter at ${host}:${port} does not answer. Is it on, and plugged in?`;
    const late = setTimeout(() => away(gone), this.patience.connectMs);
    socket.on('data', (text: string) => this.#hear(socket, text));
    socket.on('close', () => away(gone));
    try {
      await new Promise<void>((resolve, reject) => {
        socket.once('connect', resolve);
        socket.once('close', () => reject(new MeterAway(this.#why || gone)));
        socket.on('error', () => away(gone));
      });
    } finally {
      clearTimeout(late);
    }
    // What was left in it by whoever spoke to it before is nobody's answer.
    socket.write('*CLS\n');
    const name = await this.#ask('*IDN?');
    if (name.split(',').length < 4) {
      away(`What answers at ${host}:${port} is no meter: “${shown(name)}”.`);
      throw new MeterAway(this.#why);
    }
  }

  #ask(question: string): Promise<string> {
    const socket = this.#socket;
    if (!socket) return Promise.reject(new MeterAway(this.#why));
    return new Promise((resolve, reject) => {
      const late = setTimeout(
        () => this.#lose(new MeterAway('The meter takes too long to answer: it is asked anew.')),
        this.patience.answerMs,
      );
      this.#pending = {
        heard: (line) => {
          clearTimeout(late);
          resolve(line);
        },
        failed: (error) => {
          clearTimeout(late);
          reject(error);
        },
      };
      socket.write(`${question}\n`);
    });
  }

  #hear(socket: Socket, text: string): void {
    if (socket !== this.#socket) return;
    this.#rest += text;
    const end = this.#rest.indexOf('\n');
    const isMore = end >= 0 && end < this.#rest.length - 1;
    if (!this.#pending || isMore || this.#rest.length > LONGEST) {
      this.#lose(new MeterAway('The meter said more than it was asked: it is asked anew.'));
      return;
    }
    if (end < 0) return;
    const [line, { heard }] = [this.#rest.slice(0, end).replace(/\r$/, ''), this.#pending];
    this.#rest = '';
    this.#pending = undefined;
    heard(line);
  }

  /** Ends the connection, and whatever waits on it; the next is tried after a while. */
  #lose(
    why: MeterAway,
    wait = Math.min(this.patience.againMs[1], Math.max(this.patience.againMs[0], this.#wait * 2)),
  ): void {
    const [socket, pending] = [this.#socket, this.#pending];
    this.#socket = undefined;
    this.#pending = undefined;
    this.#wait = wait;
    this.#notBefore = Date.now() + wait;
    this.#why = why.message;
    clearTimeout(this.#idle);
    socket?.destroy();
    pending?.failed(why);
  }
}
