import { array, boolean, number, object, string } from 'yup';
import { describe, expect, it } from 'vitest';
import {
  asTyped,
  behind,
  capital,
  celsiusToFahrenheit,
  formatDecibels,
  formatLength,
  formatTemperature,
  inches,
  instant,
  isRow,
  metres,
  migrated,
  openDocument,
  optionalRecord,
  parseLength,
  parseResistance,
  parseTemperature,
  parseVolts,
  readShape,
  record,
  sayList,
  sayRow,
  tooDeep,
  Union,
  union,
  uuid,
  type Result,
} from '.';

const read = <T>(is: Result<T>): T | string => (is.ok ? is.value : (is.problems[0]?.code ?? ''));

describe('quantities, typed by hand beside what they are', () => {
  it.each([
    ['3/1 in', 76.2],
    ['2 ft 3 in', 685.8],
    ['1 cm 5 mm', 15],
    ['1 m 1 m', 'length.unreadable'],
    ['1 mm 1 m', 'length.unreadable'],
    ['1 m and 20 cm', 1200],
    ['1/0', 'length.unreadable'],
  ])('%s', (text, is) => {
    const has = read(parseLength(text));
    if (typeof is === 'number') expect(has).toBeCloseTo(is, 9);
    else expect(has).toBe(is);
  });

  it('metres and inches', () => expect([metres(2.5), inches(2)]).toEqual([2500, 50.8]));

  it.each([
    [999.94, 'metric', '999.9 mm'],
    [999.95, 'metric', '1 m'],
    [25.44, 'metric', '25.4 mm'],
    [1234.56, 'metric', '1.235 m'],
    [-2000, 'metric', '-2 m'],
    [0.1, 'inch', '0 in'],
    [304.8, 'inch', '12 in'],
    [25.4 / 16, 'inch', '1/16 in'],
    [25.4 * (24 + 1 / 16), 'inch', '2 ft 1/16 in'],
    [25.4 * (23 + 15 / 16), 'inch', '23 15/16 in'],
    [25.4 * 36, 'inch', '3 ft'],
  ] as const)('%f mm, %s: %s', (mm, system, says) => expect(formatLength(mm, system)).toBe(says));

  it('words that say another length by half a tenth of a millimetre are old', () => {
    expect(asTyped({ mm: 5791.24, said: '19 ft' })).toBe('19 ft');
    expect(asTyped({ mm: 5791.26, said: '19 ft' })).toBe('5.791 m');
  });

  it.each([
    ['4K7', 4700],
    ['2G', 2e9],
    ['1G5', 1.5e9],
    ['.5', 0.5],
    ['20 kohms', 20e3],
  ])('%s Ω', (text, ohms) => expect(read(parseResistance(text))).toBeCloseTo(ohms, 6));

  it.each([
    ['0.62', 0.62],
    ['0,62 V', 0.62],
    ['.5', 0.5],
    ['3', 3],
    ['OL', Infinity],
    ['o.l.', Infinity],
    ['overload', Infinity],
    ['', 'volts.unreadable'],
    ['1.2.3', 'volts.unreadable'],
    ['-1', 'volts.unreadable'],
    ['Infinity', 'volts.unreadable'],
  ])('a diode test that shows “%s”', (text, is) => expect(read(parseVolts(text))).toBe(is));

  it.each([
    ['-273.15', -273.15],
    ['−273.15 °C', -273.15],
    ['-273.16', 'temperature.impossible'],
    ['-459.68 F', 'temperature.impossible'],
    ['-40 F', -40],
  ])('%s', (text, is) => {
    const has = read(parseTemperature(text));
    if (typeof is === 'number') expect(has).toBeCloseTo(is, 9);
    else expect(has).toBe(is);
  });

  it('temperatures have a tenth in Celsius and none in Fahrenheit', () => {
    expect(formatTemperature(350.16)).toBe('350.2 °C');
    expect(formatTemperature(350.16, 'F')).toBe('662 °F');
    expect(celsiusToFahrenheit(100)).toBe(212);
  });

  it('decibels have one place and their sign', () =>
    expect([formatDecibels(3.14159, 'u'), formatDecibels(-0.26, 'V'), formatDecibels(0)]).toEqual([
      '+3.1 dBu',
      '−0.3 dBV',
      '0.0 dB',
    ]));
});

describe('words', () => {
  it.each([
    ['xlr', 'Xlr'],
    ['', ''],
    ['é', 'É'],
  ])('“%s” begins a sentence', (text, is) => expect(capital(text)).toBe(is));

  it.each([
    [['1', '2', '3'], false, '1, 2 and 3'],
    [['1', '2', '3', '4'], true, '1 to 4'],
    [['7', '8', '9', '10', '11'], true, '7 to 11'],
    [['1', '2', '4', '5'], false, '1, 2, 4 and 5'],
    [['4', '3', '2', '1'], false, '4, 3, 2 and 1'],
    [['1', '2'], false, '1 and 2'],
    [['a', 'b', 'c', 'd'], false, 'a, b, c and d'],
    [['5'], false, '5'],
  ])('%j', (names, is, says) => {
    expect(isRow(names)).toBe(is);
    expect(sayRow(names)).toBe(says);
    if (!is) expect(sayList(names)).toBe(says);
  });
});

describe('sets that are made one', () => {
  it('what was joined is one, over however many steps; what was not is not', () => {
    const sets = new Union();
    for (const [a, b] of ['ab', 'cd', 'bd', 'ef'].map((pair) => pair.split('') as [string, string]))
      sets.join(a, b);
    const of = (names: string) => new Set(names.split('').map((name) => sets.find(name))).size;
    expect([of('abcd'), of('ef'), of('ae'), of('z'), of('az')]).toEqual([1, 1, 2, 1, 2]);
    const chain = new Union();
    for (let n = 0; n < 50; n++) chain.join(`${n + 1}`, `${n}`);
    expect(new Set(Array.from({ length: 51 }, (_, n) => chain.find(`${n}`))).size).toBe(1);
    expect(chain.find('0')).toBe(chain.find(chain.find('50')));
  });
});

describe('shapes', () => {
  const many = (count: number) => Object.fromEntries(Array.from({ length: count }, (_, n) => [`n${n}`, n]));
  const codes = (is: Result<unknown>) =>
    is.ok ? [] : is.problems.map(({ code, path }) => `${code} ${path}`);

  it('two hundred names where no other number is said, and not one more', () => {
    for (const of of [record(number().required()), optionalRecord(number().required())]) {
      expect(codes(readShape(of, many(200)))).toEqual([]);
      expect(codes(readShape(of, many(201)))).toEqual(['shape.most ']);
    }
    const two = optionalRecord(number().required(), { most: 2 });
    expect(codes(readShape(two, many(2)))).toEqual([]);
    expect(codes(readShape(two, many(3)))).toEqual(['shape.most ']);
  });

  it('say what they are behind their names', () => {
    expect(behind(record(number()))).toMatchObject({ is: 'record', most: 200, required: true });
    expect(behind(optionalRecord(number(), { most: 3 }))).toMatchObject({
      is: 'record',
      most: 3,
      required: false,
    });
    expect(behind(number())).toBeUndefined();
  });

  const shapes = union('is', {
    ring: object({ is: string().required().oneOf(['ring']), mm: number().required() }).noUnknown(),
    dot: object({ is: string().required().oneOf(['dot']) }).noUnknown(),
  });
  it.each([
    [{ is: 'ring', mm: 2 }, []],
    [{ is: 'dot' }, []],
    [{ is: 'dot', mm: 2 }, ['shape.noUnknown mm']],
    [{ is: 'ring' }, ['shape.optionality mm']],
    [{ is: 'ring', mm: '2' }, ['shape.typeError mm']],
    [{ is: 'square' }, ['shape.oneOf is']],
    [{ is: 'toString' }, ['shape.oneOf is']],
    [{ is: 3 }, ['shape.typeError is', 'shape.oneOf is']],
    [{ is: 'dot', a: 1, b: 2 }, ['shape.noUnknown a', 'shape.noUnknown b']],
    [undefined, ['shape.optionality ']],
    [null, ['shape.nullable ']],
    [[], ['shape.typeError ']],
    ['ring', ['shape.typeError ']],
  ])('%j of several told apart by a field', (value, expected) => {
    expect(codes(readShape(shapes, value))).toEqual(expected);
    expect(behind(shapes)).toMatchObject({ is: 'union', tag: 'is' });
  });

  it('what is wrong is said with the field and what it has to be, or in the words that are written for it', () => {
    const shape = object({
      name: string().required('Give it a name.').min(2).max(4),
      mm: number().required().min(0).max(10).integer(),
      colour: string().oneOf(['red', 'white']),
      cuts: array(object({ id: string().required() }).noUnknown())
        .min(1)
        .max(2),
      even: boolean(),
    }).noUnknown();
    const told = (value: unknown): readonly string[] => {
      const read = readShape(shape, value);
      return read.ok ? [] : read.problems.map(({ says }) => says);
    };
    const good = { name: 'abc', mm: 3 };
    expect(told(good)).toEqual([]);
    expect(told({ mm: 3 })).toEqual(['Give it a name.']);
    expect(told({ name: 'abc' })).toEqual(['“mm” is missing: give it.']);
    expect(told({ ...good, mm: null })).toEqual([
      '“mm” must not be null: give it, or leave it out where it may be left out.',
    ]);
    expect(told({ ...good, mm: '3' })).toEqual(['“mm” has to be a number, and is "3".']);
    expect(told({ ...good, mm: -1 })).toEqual(['“mm” has to be at least 0.']);
    expect(told({ ...good, mm: 11 })).toEqual(['“mm” has to be at most 10.']);
    expect(told({ ...good, mm: 1.5 })).toEqual(['“mm” has to be a whole number.']);
    expect(told({ ...good, name: 'a' })).toEqual(['“name” has to be at least 2 letters long.']);
    expect(told({ ...good, name: 'abcde' })).toEqual(['“name” has to be at most 4 letters long.']);
    expect(told({ ...good, colour: 'blue' })).toEqual(['“colour” has to be one of red, white.']);
    expect(told({ ...good, cuts: [] })).toEqual(['“cuts” has to be at least 1 entry long.']);
    expect(told({ ...good, cuts: [{ id: 'a' }, { id: 'b' }, { id: 'c' }] })).toEqual([
      '“cuts” has to be at most 2 entries long.',
    ]);
    expect(told({ ...good, cuts: [{ id: 'a', port: 1 }] })).toEqual([
      '“port” is not known here: take it out, or look how it is called in the format.',
    ]);
    expect(told({ ...good, cuts: {} })).toEqual(['“cuts” has to be a list, and is {}.']);
    expect(told({ ...good, even: 'x'.repeat(90) })).toEqual([
      `“even” has to be true or false, and is "${'x'.repeat(59)}….`,
    ]);
    expect(told([])).toEqual(['It has to be an object, { … }, and is [].']);
    expect(told({ ...good, also: 1 })).toEqual([
      '“also” is not known here: take it out, or look how it is called in the format.',
    ]);
  });

  it('one that is left out of what it stands in is missed there', () => {
    const holds = object({ of: shapes, all: array(shapes).required() }).noUnknown();
    expect(codes(readShape(holds, { of: { is: 'dot' }, all: [{ is: 'dot' }] }))).toEqual([]);
    expect(codes(readShape(holds, { all: [] }))).toEqual(['shape.optionality of']);
    expect(codes(readShape(holds, { of: { is: 'dot' }, all: [undefined] }))).toEqual([
      'shape.optionality all[0]',
    ]);
  });

  it('nothing is converted, and everything that is wrong is said, each under what holds it', () => {
    const two = object({ a: number().required(), b: string().required() });
    const has = codes(readShape(two, { a: '1', b: 2 }, 'kit'));
    expect(has).toEqual(['shape.typeError kit.a', 'shape.typeError kit.b']);
    expect(codes(readShape(number(), 'x'))).toEqual(['shape.typeError ']);
    const one = readShape(object({ a: number().required() }), { a: 7 });
    expect(one).toEqual({ ok: true, value: { a: 7 } });
  });

  it('an instant is a time as JSON writes it, an id a UUID', () => {
    const good = (value: unknown) => readShape(instant(), value).ok;
    expect(['2026-03-02T10:00:00.000Z', '2026-03-02T10:00:00Z'].map(good)).toEqual([true, true]);
    expect(
      ['2026-13-02T10:00:00Z', 'Monday', '2026-03-02', '2026-03-02T10:00:00', '2026-03-02T99:00:00Z'].map(
        good,
      ),
    ).toEqual([false, false, false, false, false]);
    expect(readShape(uuid(), '9b2e7b1c-3c1a-4b67-9d2e-5f0c8f3a1d24').ok).toBe(true);
    expect(readShape(uuid(), 'one').ok).toBe(false);
  });

  it('the place of what lies too deep is said in 120 letters', () => {
    let value: unknown = 'end';
    for (let n = 0; n < 65; n++) value = { abcdefgh: value };
    const path = tooDeep(value);
    expect(path).toHaveLength(120);
    expect(path).toMatch(/^(?:abcdefgh\.){13}abc$/);
  });
});

describe('documents', () => {
  const steps = [
    {
      from: 1,
      to: 2,
      name: 'a',
      up: ({ old, ...rest }: object & { old?: unknown }) => ({ ...rest, a: old, version: 2 }),
    },
    { from: 2, to: 3, name: 'b', up: (of: object) => ({ ...of, b: 1, version: 3 }) },
  ];
  it('come up step by step as far as there are steps', () => {
    expect(migrated({ version: 1, old: 7 }, steps)).toEqual({ version: 3, a: 7, b: 1 });
    expect(migrated({ version: 2 }, steps)).toEqual({ version: 3, b: 1 });
    for (const as of [{ version: 3 }, { version: 4 }, {}, 'text', [1], null])
      expect(migrated(as, steps)).toEqual(as);
  });

  const about = { name: 'thing', version: 3, missing: 'The thing is missing' };
  const opened = (of: unknown, path?: string) => {
    const is = openDocument(of, path === undefined ? about : { ...about, path });
    return is.ok ? is.value : is.problems.map(({ code, path: at }) => `${code} ${at}`).join();
  };
  it('are opened: an object, not too deep, not of a later version', () => {
    for (const of of [{ version: 3 }, { version: 1 }, {}, { version: '9' }]) expect(opened(of)).toBe(of);
    expect(opened([1])).toBe('thing.not-an-object ');
    expect(opened(null, 'intent')).toBe('thing.not-an-object intent');
    expect(opened({ version: 4 })).toBe('thing.newer version');
    expect(opened({ version: 3.5 }, 'intent')).toBe('thing.newer intent.version');
    let deep: unknown = 1;
    for (let n = 0; n < 70; n++) deep = { a: deep };
    expect(opened(deep)).toMatch(/^thing\.deep a\.a\./);
  });
});
