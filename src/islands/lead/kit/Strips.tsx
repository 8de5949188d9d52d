import type { Lead } from '../../../core/lead';
import { sayList } from '../../../core/quantity';
import { strippedEnds } from '../../../core/vice';
import { Picture } from '../../../ui';
import styles from './Kit.module.css';

export interface StripsProps {
  readonly lead: Lead;
}

/** Every end as it is stripped, wire by wire; those that are stripped alike stand together. */
export function Strips({ lead }: StripsProps) {
  const ends = strippedEnds(lead);
  const alike = new Map<string, typeof ends>();
  for (const each of ends) {
    const [, what = ''] = each.says.split(': ');
    const key = `${what}|${each.wires.join('|')}|${each.strip.jacket}`;
    alike.set(key, [...(alike.get(key) ?? []), each]);
  }
  // All at one scale, their jackets under each other.
  const width = Math.max(...ends.map(({ picture }) => picture.frame.width));
  const across = (picture: (typeof ends)[number]['picture']) => ({
    ...picture,
    frame: { ...picture.frame, x: picture.frame.x + picture.frame.width - width, width },
  });
  return [...alike.values()].map((all) => {
    const [first] = all;
    if (!first) return null;
    const [where = '', what = ''] = first.says.split(': ');
    const names = all.map(({ says }) => says.split(': ')[0]?.replace(/^End /, '') ?? '');
    return (
      <div key={where} className={styles['end']}>
        <h3>
          {names.length > 1 ? 'Ends' : 'End'} {sayList(names)}: {what}
        </h3>
        <ul className={styles['wires']}>
          {first.wires.map((each) => (
            <li key={each}>{each}</li>
          ))}
        </ul>
        <Picture
          picture={across(first.picture)}
          says={`The stripped end, from its raw end: ${first.wires.join('; ')}`}
        />
      </div>
    );
  });
}
