import { spawn, spawnSync, type ChildProcessWithoutNullStreams } from 'node:child_process';
import { connect, type Socket } from 'node:net';
import { fileURLToPath } from 'node:url';
import { afterEach, beforeAll, describe, expect, it } from 'vitest';

/*
 * The meter as a stranger meets it: a raw socket, and nothing of ours between. What must come back is from IEEE 488.2 and SCPI 1999 (from memory), and from
 * tables of the trade.
 */
const root = fileURLToPath(new URL('../../', import.meta.url));
const running: ChildProcessWithoutNullStreams[] = [];
const sockets: Socket[] = [];

beforeAll(
  () => void spawnSync(process.execPath, [`${root}bin/antler.mjs`, 'recipes'], { cwd: root }),
  120_000,
);
afterEach(async () => {
  for (const socket of sockets.splice(0)) socket.destroy();
  for (const child of running.splice(0)) {
    const gone = new Promise((resolve) => child.once('exit', resolve));
    child.kill('SIGTERM');
    await gone;
  }
});

/** Starts a meter on a lead; its port. */
function start(id: string, ...more: readonly string[]): Promise<number> {
  const child = spawn(
    process.execPath,
    [`${root}bin/antler.mjs`, 'meter', `examples/leads/${id}.json`, ...more],
    {
      cwd: root,
    },
  );
  running.push(child);
  return new Promise((resolve, reject) => {
    child.stdout.once('data', (data: Buffer) => resolve((JSON.parse(String(data)) as { port: number }).port));
    child.once('exit', (code) => reject(new Error(`the meter ended with ${code}`)));
  });
}

/** A peer: writes bytes as they are, and reads line by line. */
async function peer(port: number) {
  const socket = connect(port, '127.0.0.1');
  sockets.push(socket);
  socket.setEncoding('latin1');
  let rest = '';
  const lines: string[] = [];
  const waiting: ((line: string) => void)[] = [];
  socket.on('data', (text: string) => {
    const [last = '', ...whole] = (rest + text).split('\n').reverse();
    rest = last;
    for (const line of whole.reverse()) {
      const next = waiting.shift();
      if (next) next(line);
      else lines.push(line);
    }
  });
  await new Promise<void>((resolve, reject) => {
    socket.once('connect', resolve);
    socket.once('error', reject);
  });
  const line = (): Promise<string> => {
    const known = lines.shift();
    return known === undefined ? new Promise((resolve) => waiting.push(resolve)) : Promise.resolve(known);
  };
  return {
    socket,
    write: (text: string) => socket.write(text, 'latin1'),
    line,
    ask(text: string): Promise<string> {
      socket.write(`${text}\n`, 'latin1');
      return line();
    },
  };
}

describe('IEEE 488.2 and SCPI, by raw socket', () => {
  it('says what it is in four fields, starts with power on in its events, and has no error', async () => {
    const { ask } = await peer(await start('stage-microphone'));
    expect((await ask('*IDN?')).split(',')).toHaveLength(4);
    expect(await ask('*ESR?')).toBe('128');
    expect(await ask('*ESR?')).toBe('0');
    expect(await ask('SYST:ERR?')).toBe('0,"No error"');
    expect(await ask('SYST:VERS?')).toMatch(/^1999\.0$/);
    expect(await ask('*TST?')).toBe('0');
    expect(await ask('*OPC?')).toBe('1');
  });

  it('takes short and long forms in any case, from the root or on from where it stood, and nothing between', async () => {
    const { ask, write } = await peer(await start('stage-microphone'));
    write('ROUT:PROB "A.2","B.2"\n');
    // 6 m less 88 mm inside the connectors, 24 AWG: 84.21 Ω/km (ASTM B258 with IEC 60028).
    const ohms = Number(await ask('MEAS:RES?'));
    expect(ohms).toBeCloseTo(0.08421 * 5.912, 4);
    for (const form of [
      'MEASURE:RESISTANCE?',
      'measure:scalar:resistance?',
      ':MEAS:SCAL:RES?',
      'Meas:Res? AUTO',
      'MEAS:RES? 100',
      "ROUT:PROB 'A.2','B.2';:MEAS:RES?",
      'CONF:RES;:READ?',
    ])
      expect(Number(await ask(form)), form).toBeCloseTo(ohms, 9);
    // Goes on from MEASure: the second header stands under the first’s path.
    expect((await ask('MEAS:RES?;CONT?;*OPC?')).split(';')).toHaveLength(3);
    write('MEASU:RES?\n');
    expect(await ask('SYST:ERR?')).toBe('-113,"Undefined header"');
  });

  it('sends figures as +d.ddddddddE+dd, and overload as 9.9E37', async () => {
    const { ask, write } = await peer(await start('stage-microphone'));
    write('ROUT:PROB "A.1","A.2"\n');
    expect(await ask('MEAS:RES?')).toBe('+9.90000000E+37');
    write('ROUT:PROB "A.2","B.2"\n');
    expect(await ask('MEAS:RES?')).toMatch(/^\+4\.\d{8}E-01$/);
    write('ROUT:PROB "A.2","B.2","B.3"\n');
    expect(Number(await ask('MEAS:RES?'))).toBeLessThan(1);
  });

  it('a range that is too small is overload; one that it does not have is -222', async () => {
    const { ask, write } = await peer(await start('stereo-sum'));
    write('ROUT:PROB "A.T","B.2"\n');
    expect(Number(await ask('MEAS:RES? 1000'))).toBeCloseTo(470, 0);
    expect(await ask('MEAS:RES? 100')).toBe('+9.90000000E+37');
    write('MEAS:RES? 1e12\n');
    expect(await ask('SYST:ERR?')).toBe('-222,"Data out of range"');
    write('MEAS:RES? lots\n');
    expect(await ask('SYST:ERR?')).toBe('-120,"Numeric data error"');
    write('MEAS:RES? 1,2,3\n');
    expect(await ask('SYST:ERR?')).toBe('-108,"Parameter not allowed"');
  });

  it('keeps errors in their order, twenty of them, and says when there were more; *CLS forgets them', async () => {
    const { ask, write } = await peer(await start('stage-microphone'));
    write('ROUT:PROB "A.2"\nROUT:PROB "A.2","Q.7"\nFETCH\n');
    expect(await ask('SYST:ERR:COUN?')).toBe('3');
    expect(await ask('SYST:ERR?;ERR?')).toBe('-109,"Missing parameter";-224,"Illegal parameter value"');
    expect(await ask('SYST:ERR:NEXT?')).toBe('-113,"Undefined header"');
    // Command errors are bit 5, execution errors bit 4; power on is bit 7.
    expect(Number(await ask('*ESR?')) & 0b1011_0000).toBe(0b1011_0000);
    write('NONSENSE\n'.repeat(40));
    expect(await ask('SYST:ERR:COUN?')).toBe('20');
    for (let n = 0; n < 19; n++) await ask('SYST:ERR?');
    expect(await ask('SYST:ERR?')).toBe('-350,"Queue overflow"');
    write('NONSENSE\n*ESE 32\n');
    // An error in the queue is bit 2 of the status byte, an event that is asked for bit 5.
    expect(Number(await ask('*STB?')) & 0b10_0100).toBe(0b10_0100);
    write('*CLS\n');
    expect(await ask('*STB?;:SYST:ERR?')).toBe('0;0,"No error"');
    write('*ESE 256\n');
    expect(await ask('SYST:ERR?')).toBe('-222,"Data out of range"');
  });

  it('reads each kind of part: a diode one way, a capacitor, a control where it is turned to', async () => {
    const lamp = await peer(await start('tell-tale'));
    lamp.write('ROUT:PROB "D3.anode","D3.cathode"\n');
    expect(Number(await lamp.ask('MEAS:DIOD?'))).toBeCloseTo(0.6, 2);
    const block = await peer(await start('microphone-to-recorder'));
    block.write('ROUT:PROB "C1.a","C1.b"\n');
    expect(Number(await block.ask('MEAS:CAP?')) * 1e6).toBeCloseTo(10, 6);
    const box = await peer(await start('volume-box'));
    box.write('ROUT:PROB "B.S","B.T";TURN 0.5\n');
    expect(Number(await box.ask('MEAS:RES?'))).toBeCloseTo(15, 6);
    expect(Number(await box.ask('ROUT:TURN 1;:MEAS:RES?'))).toBeCloseTo(100, 6);
    box.write('ROUT:TURN 2\n');
    expect(await box.ask('SYST:ERR?')).toBe('-222,"Data out of range"');
  });

  it('a lead with a fault shows it; one that was built otherwise too', async () => {
    const broken = await peer(await start('stage-microphone', '--fault', 'open:W1.white@a'));
    broken.write('ROUT:PROB "A.2","B.2"\n');
    expect(await broken.ask('MEAS:RES?;CONT?')).toBe('+9.90000000E+37;+9.90000000E+37');
    const other = await peer(
      await start('stage-microphone', '--built', 'examples/leads/polarity-reverse.json'),
    );
    other.write('ROUT:PROB "A.2","B.3"\n');
    expect(Number(await other.ask('MEAS:RES?'))).toBeLessThan(2);
  });

  it('bounces where its leads were put, and settles; wanders by its noise, the same for the same seed', async () => {
    const ask = async (): Promise<readonly number[]> => {
      const meter = await peer(
        await start('stage-microphone', '--bounce', '3', '--noise', '0.01', '--seed', '7'),
      );
      meter.write('ROUT:PROB "A.2","B.2"\n');
      const read: number[] = [];
      for (let n = 0; n < 12; n++) read.push(Number(await meter.ask('MEAS:RES?')));
      return read;
    };
    const read = await ask();
    const steady = read.slice(3);
    const mean = steady.reduce((sum, each) => sum + each, 0) / steady.length;
    for (const each of steady) expect(Math.abs(each / mean - 1)).toBeLessThan(0.02);
    expect(read.slice(0, 3).some((each) => Math.abs(each / mean - 1) > 0.1)).toBe(true);
    expect(new Set(steady).size).toBeGreaterThan(1);
    expect(await ask()).toEqual(read);
  });
});

describe('hostile and slow peers', () => {
  it('a message byte by byte, carriage returns, empty lines, many messages in one packet', async () => {
    const { ask, write, line } = await peer(await start('stage-microphone'));
    for (const letter of '*IDN?\r') {
      write(letter);
      await new Promise((resolve) => setTimeout(resolve, 5));
    }
    write('\n\n;;\n  \r\n');
    expect(await line()).toMatch(/^Antler,/);
    write('*OPC?\n*OPC?\nSYST:ERR?\n');
    expect([await line(), await line(), await line()]).toEqual(['1', '1', '0,"No error"']);
    expect(await ask('*TST?')).toBe('0');
  });

  it.each([
    ['a line without end', `${'A'.repeat(200_000)}\n`, '-363,"Input buffer overrun"'],
    ['bytes that are no letters', `${String.fromCharCode(0, 1, 255, 254, 127)}\n`, '-102,"Syntax error"'],
    ['a quote that is not closed', 'ROUT:PROB "A.2\n', '-102,"Syntax error"'],
    ['a header of colons', ':::::\n', '-102,"Syntax error"'],
    ['a page of another protocol', 'GET / HTTP/1.1\n', '-113,"Undefined header"'],
  ])('%s: an error, and it goes on', async (_, text, error) => {
    const { ask, write } = await peer(await start('stage-microphone'));
    write(text);
    expect(await ask('SYST:ERR?')).toBe(error);
    expect(await ask('SYST:ERR?')).toBe('0,"No error"');
  });

  it('a peer that breaks off, one that never reads, one too many: the others are served', async () => {
    const port = await start('stage-microphone');
    const gone = await peer(port);
    gone.write('*IDN?;*IDN?');
    gone.socket.resetAndDestroy();
    const deaf = await peer(port);
    deaf.socket.pause();
    for (let n = 0; n < 400; n++) deaf.write('*IDN?;*IDN?;*IDN?;*IDN?;*IDN?;*IDN?;*IDN?;*IDN?\n');
    const others = await Promise.all([peer(port), peer(port)]);
    for (const { ask } of others) expect(await ask('*OPC?')).toBe('1');
    const crowd = await Promise.all([peer(port), peer(port), peer(port)]);
    const left = await Promise.all(
      crowd.map(
        ({ socket }) =>
          new Promise<boolean>((resolve) => {
            socket.once('close', () => resolve(true));
            setTimeout(() => resolve(socket.destroyed), 500);
          }),
      ),
    );
    expect(left.filter(Boolean).length).toBeGreaterThan(0);
    for (const { ask } of others) expect(await ask('*OPC?')).toBe('1');
  });

  it('a port that is taken, a fault that the lead has not, a share that is none: exit 2, with the field', async () => {
    const port = await start('stage-microphone');
    for (const [more, says] of [
      [['--port', String(port)], 'port: It cannot listen there'],
      [['--fault', 'melted:W9'], 'fault: This lead has no fault'],
      [['--noise', 'loud'], 'noise: noise is a number'],
    ] as const) {
      const run = spawnSync(
        process.execPath,
        [`${root}bin/antler.mjs`, 'meter', 'examples/leads/stage-microphone.json', ...more],
        { cwd: root, encoding: 'utf8', timeout: 20_000 },
      );
      expect(run.status).toBe(2);
      expect(run.stderr).toContain(says);
    }
  });
});
