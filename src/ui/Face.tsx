import { viewOf, type ConnectorEntry } from '../core/catalogue';
import { faceOf, pictureOf } from '../core/drawing';
import { Picture } from './Picture';

/** A connector's insert by itself, from the front or from behind, key up, to its own scale. */
export function Face({ connector, side }: { connector: ConnectorEntry; side: 'mating' | 'solder' }) {
  if (!connector.views) return null;
  const contacts = viewOf(connector, side).map((place) => place.contact);
  return (
    <Picture
      picture={pictureOf(faceOf(connector, side))}
      says={`${connector.name}, ${side === 'mating' ? 'mating face' : 'solder side'}: ${contacts.join(', ')}`}
    />
  );
}
