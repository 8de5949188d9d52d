import { Fragment, type ReactNode } from 'react';
import type { SCHOOLS, School } from '../../core/wiring';
import styles from './SchoolQuestion.module.css';

/** What schools decide about, in the order in which a lead is thought of. */
const DECIDES: readonly (readonly [School['decides'], string])[] = [
  ['wiring', 'How it is wired'],
  ['lengths', 'How long its wires are'],
  ['bench', 'How it is made'],
  ['words', 'How it is said'],
];

/** Questions on which good builders differ, by what they decide about. */
export function SchoolGroups({
  schools,
  one,
}: {
  schools: typeof SCHOOLS;
  one: (school: (typeof SCHOOLS)[number]) => ReactNode;
}) {
  return DECIDES.map(([decides, heading]) => {
    const own = schools.filter((school) => school.decides === decides);
    return (
      own.length > 0 && (
        <Fragment key={decides}>
          <h3 className={styles['group']}>{heading}</h3>
          {own.map(one)}
        </Fragment>
      )
    );
  });
}
