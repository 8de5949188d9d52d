import { atEnd } from '../ending';
import { Live } from './live';

let opened: Live | undefined;

/** The app's one ear for what changes, opened on first use. */
export function live(): Live {
  if (!opened) {
    const made = new Live(process.env['DATABASE_URL'] ?? '');
    opened = made;
    atEnd(() => made.end());
  }
  return opened;
}
