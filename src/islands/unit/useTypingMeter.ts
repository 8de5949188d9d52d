import { useEffect, useLayoutEffect, useRef, type RefObject } from 'react';
import { TypingMeter } from './typing-meter';

/** The field of the reading that is asked: what may be typed into it from anywhere on the screen. */
export interface ReadingField {
  readonly input: HTMLInputElement | null;
  /** Adds to what is typed. */
  readonly type: (text: string) => void;
  /** Takes a whole line as the reading, in the place of whatever was typed. */
  readonly take: (line: string) => void;
}

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));
/** Space on what can be pressed presses it. */
const presses = ({ key, target }: KeyboardEvent): boolean =>
  key === ' ' && target instanceof HTMLElement && target.closest('button, a, summary') !== null;

/**
 * Digits go to the reading wherever the focus is; and so does the whole line that a device types, a meter or a scanner, and never to a shortcut, whatever
 * letters are in it. `unasked` hears of a line while no reading is asked.
 */
export function useTypingMeter(field: RefObject<ReadingField | null>, unasked: (line: string) => void): void {
  const latest = useRef(unasked);
  useEffect(() => {
    latest.current = unasked;
  });
  useLayoutEffect(() => {
    /** Keys of a hand that were held back, on their way a second time. */
    const again = new WeakSet<Event>();
    const meter = new TypingMeter({
      line(text) {
        if (field.current) field.current.take(text);
        else latest.current(text);
      },
      keys(keys) {
        for (const { key } of keys) {
          if (/^[\d.]$/.test(key) && field.current) {
            field.current.input?.focus();
            field.current.type(key);
            continue;
          }
          const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true });
          again.add(event);
          (document.activeElement ?? document.body).dispatchEvent(event);
        }
      },
      later(call, ms) {
        // A busy page may have keys waiting that were pressed in time: they are heard first.
        let timer = setTimeout(() => {
          timer = setTimeout(call);
        }, ms);
        return () => clearTimeout(timer);
      },
    });
    const onKey = (event: KeyboardEvent): void => {
      const { key, target, timeStamp } = event;
      if (again.has(event) || event.ctrlKey || event.metaKey || event.altKey || event.isComposing) return;
      const inField = target !== null && target === field.current?.input;
      if (!inField && (isTyping(target) || presses(event))) return;
      if (key.length > 1 && key !== 'Enter' && key !== 'Tab') return;
      if (event.repeat && !inField) {
        // No device holds a key down; a hand that does pressed it once.
        event.preventDefault();
        return event.stopImmediatePropagation();
      }
      if (meter.press({ key, at: timeStamp, inField }) === 'on') return;
      event.preventDefault();
      event.stopImmediatePropagation();
    };
    addEventListener('keydown', onKey, { capture: true });
    return () => {
      removeEventListener('keydown', onKey, { capture: true });
      meter.stop();
    };
  }, [field]);
}
