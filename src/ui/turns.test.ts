import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { afterPicture, takeTurn } from './turns';

/** One picture, in ms. */
const PICTURE = 16;

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('requestAnimationFrame', (draw: () => void) => setTimeout(draw, PICTURE));
});
afterEach(() => {
  vi.runAllTimers();
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

/** Turns that are taken one after the other, and what of each was drawn when. */
function line() {
  const drawn: string[] = [];
  const take = (name: string, where?: 'unseen'): (() => void) => takeTurn(() => drawn.push(name), where);
  return { drawn, take };
}

it('one with each picture, in the order in which they came, and what is not seen yet after all that is', () => {
  const { drawn, take } = line();
  const over = [take('options', 'unseen'), take('list'), take('table')];
  expect(drawn).toEqual([]);
  const seen: string[] = [];
  for (let n = 0; n < 3; n++) {
    vi.advanceTimersByTime(PICTURE + 1);
    seen.push(drawn.join(' '));
    over[[1, 2, 0][n] ?? 0]?.();
  }
  expect(seen).toEqual(['list', 'list table', 'list table options']);
});

it('the next waits until the one before is on the page', () => {
  const { drawn, take } = line();
  const over = take('drawing');
  const next = take('words');
  vi.advanceTimersByTime(PICTURE + 1);
  vi.advanceTimersByTime(300);
  expect(drawn).toEqual(['drawing']);
  over();
  vi.advanceTimersByTime(PICTURE + 1);
  expect(drawn).toEqual(['drawing', 'words']);
  next();
});

it('what waits for something that does not come holds up nobody else, and is told of once', () => {
  const { drawn, take } = line();
  const over = [take('away'), take('words'), take('more')];
  vi.advanceTimersByTime(PICTURE + 1);
  vi.advanceTimersByTime(500 + PICTURE + 1);
  expect(drawn).toEqual(['away', 'words']);
  over[0]?.();
  vi.advanceTimersByTime(300);
  expect(drawn).toEqual(['away', 'words']);
  over[1]?.();
  vi.advanceTimersByTime(PICTURE + 1);
  expect(drawn).toEqual(['away', 'words', 'more']);
  over[2]?.();
});

it('whoever leaves before his turn is not drawn, and the line goes on; an empty one begins anew', () => {
  const { drawn, take } = line();
  const [first, second, third] = [take('first'), take('second'), take('third')];
  second();
  vi.advanceTimersByTime(PICTURE + 1);
  first();
  vi.advanceTimersByTime(PICTURE + 1);
  expect(drawn).toEqual(['first', 'third']);
  third();
  vi.runAllTimers();
  const later = take('later');
  vi.advanceTimersByTime(PICTURE + 1);
  expect(drawn).toEqual(['first', 'third', 'later']);
  later();
});

it('where no picture is drawn, the page lying behind another, it goes on all the same', () => {
  vi.stubGlobal('requestAnimationFrame', () => 0);
  const then = vi.fn();
  afterPicture(then);
  vi.advanceTimersByTime(99);
  expect(then).not.toHaveBeenCalled();
  vi.advanceTimersByTime(1);
  expect(then).toHaveBeenCalledTimes(1);
});
