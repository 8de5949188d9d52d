import { expect, it } from 'vitest';
import { CONNECTORS } from '../catalogue';
import { USUAL_SCHOOLS, lengthSystem, sayConnector } from '.';

it('connectors are plugs and sockets, or male and female, as the house says it; lengths in metres or in feet', () => {
  const of = (id: string, words: 'plug-socket' | 'male-female') => {
    const entry = CONNECTORS.find((each) => each.id === id) ?? expect.fail(id);
    return sayConnector(entry, { ...USUAL_SCHOOLS, words });
  };
  expect(of('xlr3-plug', 'plug-socket')).toBe('XLR 3 cable plug, chuck clamp');
  expect(of('xlr3-plug', 'male-female')).toBe('XLR 3 cable male, chuck clamp');
  expect(of('xlr3-socket', 'male-female')).toBe('XLR 3 cable female, chuck clamp');
  expect([lengthSystem({}), lengthSystem({ units: 'metric' }), lengthSystem({ units: 'inch' })]).toEqual([
    'metric',
    'metric',
    'inch',
  ]);
});
