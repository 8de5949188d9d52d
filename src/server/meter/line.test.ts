import { createServer, type Socket } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { ScpiMeter, serveMeter, underTest } from '../../devices/meter';
import { MeterAway, MeterLine, type Patience } from './line';
import { socketOf, socketsFrom } from './sockets';

/** A microphone lead on the stand-in, its meter's leads in the air. */
function standIn(): ScpiMeter {
  const lead = leadNamed('stage-microphone');
  return new ScpiMeter(underTest(lead, lead));
}

const open: (() => Promise<void> | void)[] = [];
afterEach(async () => {
  for (const close of open.splice(0).reverse()) await close();
});

const QUICK = { connectMs: 400, answerMs: 300, idleMs: 150, againMs: [20, 80] } as const satisfies Patience;

/** A line to whatever listens at a port, impatient. */
function lineTo(port: number, patience: Partial<Patience> = {}): MeterLine {
  const line = new MeterLine({ host: '127.0.0.1', port }, { ...QUICK, ...patience });
  open.push(() => line.close());
  return line;
}

/** A peer that answers what it is told to, with what it was asked and how many have come. */
async function peer(
  answer: (asked: string, socket: Socket, peers: number) => string | undefined,
): Promise<{ readonly port: number; readonly heard: string[] }> {
  const heard: string[] = [];
  const sockets = new Set<Socket>();
  let peers = 0;
  const server = createServer((socket) => {
    peers++;
    sockets.add(socket);
    socket.on('error', () => undefined);
    socket.setEncoding('latin1');
    let rest = '';
    socket.on('data', (text: string) => {
      const lines = (rest + text).split('\n');
      rest = lines.pop() ?? '';
      for (const line of lines) {
        heard.push(line);
        const said =
          line === '*IDN?' ? (answer(line, socket, peers) ?? 'a,b,c,d\n') : answer(line, socket, peers);
        if (said !== undefined) socket.write(said);
      }
    });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  open.push(() => {
    for (const socket of sockets) socket.destroy();
    return new Promise<void>((resolve) => server.close(() => resolve()));
  });
  const address = server.address();
  return { port: typeof address === 'object' && address ? address.port : 0, heard };
}

const why = (line: MeterLine): Promise<string> =>
  line.measure('ohms').then(
    (figure) => `a figure: ${figure}`,
    (error: unknown) => (error instanceof MeterAway ? error.message : `another error: ${String(error)}`),
  );
const wait = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
const isQuery = (asked: string): boolean => asked.startsWith('MEAS');

describe('a meter at the other end of a line', () => {
  it('measures what its leads are on, as the stand-in shows it', async () => {
    const meter = standIn();
    const served = await serveMeter(meter);
    open.push(served.close);
    const line = lineTo(served.port);
    expect(await line.measure('ohms')).toBe(Number.POSITIVE_INFINITY);
    meter.take('ROUT:PROB "A.1","B.1"');
    const ohms = await line.measure('ohms');
    expect(ohms).toBeGreaterThan(0);
    expect(ohms).toBeLessThan(1);
    // Between two screws there is no capacitor: a figure, and nothing.
    expect(await line.measure('capacitance')).toBeLessThan(1e-6);
    expect(meter.take('SYST:ERR?')).toBe('0,"No error"');
  });

  it('questions that come at once are asked one after the other', async () => {
    let n = 0;
    let [open, most] = [0, 0];
    const { port } = await peer((asked, socket) => {
      if (!isQuery(asked)) return undefined;
      most = Math.max(most, ++open);
      setTimeout(() => {
        open--;
        socket.write(`${++n}\n`);
      }, 10);
      return undefined;
    });
    const line = lineTo(port);
    expect(await Promise.all([1, 2, 3, 4].map(() => line.measure('ohms')))).toEqual([1, 2, 3, 4]);
    expect(most).toBe(1);
  });

  it('an answer that comes too late is never that of the next question', async () => {
    let n = 0;
    const { port, heard } = await peer((asked, socket) => {
      if (!isQuery(asked)) return undefined;
      const figure = ++n;
      // The first is slow, and comes when the second has been asked.
      setTimeout(() => socket.write(`${figure}\n`), figure === 1 ? 380 : 0);
      return undefined;
    });
    const line = lineTo(port);
    expect(await why(line)).toMatch(/too long/);
    await wait(60);
    expect(await line.measure('ohms')).toBe(2);
    expect(heard.filter((each) => each === '*CLS')).toHaveLength(2);
  });

  it.each([
    ['two figures for one question', '1\n2\n'],
    ['a line without end', 'x'.repeat(2000)],
  ])('%s: none of it is taken, and it is begun anew', async (_, said) => {
    const { port } = await peer((asked, __, peers) =>
      isQuery(asked) ? (peers === 1 ? said : '7\n') : undefined,
    );
    const line = lineTo(port);
    expect(await why(line)).toMatch(/more than it was asked/);
    await wait(60);
    expect(await line.measure('ohms')).toBe(7);
  });

  it('what it says unasked, between two questions, is nobody’s answer', async () => {
    const { port } = await peer((asked, socket) => {
      if (!isQuery(asked)) return undefined;
      setTimeout(() => socket.write('666\n'), 20);
      return '1\n';
    });
    const line = lineTo(port);
    expect(await line.measure('ohms')).toBe(1);
    await wait(120);
    expect(await line.measure('ohms')).toBe(1);
  });

  it('words are no figure: what it says of itself is passed on, and no more than a screen holds', async () => {
    const { port } = await peer((asked) =>
      isQuery(asked) ? 'OVLD\u0007\n' : asked === 'SYST:ERR?' ? '-113,"Undefined header"\n' : undefined,
    );
    expect(await why(lineTo(port))).toBe(
      'What the meter says is no figure: “OVLD”, “-113,"Undefined header"”.',
    );
    const long = await peer((asked) =>
      isQuery(asked) ? `${'y'.repeat(300)}\n` : asked === 'SYST:ERR?' ? '0,"No error"\n' : undefined,
    );
    expect(await why(lineTo(long.port))).toBe(`What the meter says is no figure: “${'y'.repeat(40)}…”.`);
  });

  it('a figure below nothing is of something live', async () => {
    const { port } = await peer((asked) => (isQuery(asked) ? '-12.5\n' : undefined));
    expect(await why(lineTo(port))).toMatch(/below nothing/);
  });

  it('what is no meter is not asked to measure', async () => {
    const { port, heard } = await peer((asked) =>
      asked === '*IDN?' ? 'HTTP/1.1 400 Bad Request\n' : undefined,
    );
    expect(await why(lineTo(port))).toMatch(/no meter: “HTTP\/1\.1 400 Bad Request”/);
    expect(heard.some(isQuery)).toBe(false);
  });

  it('one that is not there, or hangs up, or accepts and says nothing: why, soon, and not asked without end', async () => {
    const { port, heard } = await peer((asked) => (asked === '*IDN?' ? '' : undefined));
    const silent = lineTo(port, { againMs: [200, 400] });
    const began = Date.now();
    expect(await why(silent)).toMatch(/too long/);
    expect(Date.now() - began).toBeLessThan(1_500);
    // Meanwhile nobody knocks.
    const knocks = heard.length;
    expect(await why(silent)).toMatch(/too long/);
    expect(heard).toHaveLength(knocks);

    const hanging = await peer((_, socket) => {
      socket.destroy();
      return undefined;
    });
    expect(await why(lineTo(hanging.port))).toMatch(/does not answer/);

    const free = await serveMeter(standIn());
    await free.close();
    expect(await why(lineTo(free.port))).toMatch(/does not answer/);
  });

  it('that was off is found again once it is on', async () => {
    const first = await serveMeter(standIn());
    const line = lineTo(first.port);
    expect(await line.measure('ohms')).toBe(Number.POSITIVE_INFINITY);
    await first.close();
    await wait(20);
    expect(await why(line)).toMatch(/does not answer/);
    const second = await serveMeter(standIn(), { port: first.port });
    open.push(second.close);
    await expect.poll(() => why(line), { interval: 30 }).toBe('a figure: Infinity');
  });

  it('is let go when nobody asks, and is there when somebody does', async () => {
    const { port, heard } = await peer((asked) => (isQuery(asked) ? '1\n' : undefined));
    const line = lineTo(port);
    await line.measure('ohms');
    await wait(300);
    await line.measure('ohms');
    expect(heard.filter((each) => each === '*IDN?')).toHaveLength(2);
  });
});

describe('where a meter may be', () => {
  it('is what was named, and on this machine where nothing was', () => {
    expect(socketsFrom(undefined)).toEqual(['127.0.0.1:5025']);
    expect(socketsFrom('bench-meter:5025, [fe80::1]:5025 10.0.0.9:3490')).toEqual([
      'bench-meter:5025',
      '[fe80::1]:5025',
      '10.0.0.9:3490',
    ]);
    expect(socketsFrom('')).toEqual([]);
    expect(socketOf('[fe80::1]:5025')).toEqual({ host: 'fe80::1', port: 5025 });
  });

  it.each([
    'bench',
    'bench:0',
    'bench:70000',
    'user@bench:5025',
    'http://bench:5025',
    'bench:5025/x',
    '-a:1',
  ])('%s is no host and port, and said so', (named) =>
    expect(() => socketsFrom(named)).toThrow(/ANTLER_METERS.*no host and port/),
  );
});
