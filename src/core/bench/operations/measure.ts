import { bodyById, sayPlace, type Assembly } from '../../assembly';
import type { Check } from '../../proving';
import { capital } from '../../quantity';
import type { Schools } from '../../wiring';
import type { Operation } from '../types';

/** So many checks are said with the step that asks for them. */
const MOST_SAID = 6;

/** Before a body is closed: what nothing reaches afterwards is measured and looked at. One operation a body. */
export const measure = (
  assembly: Assembly,
  schools: Schools,
  checks: readonly Check[],
): readonly Operation[] =>
  [...new Set(checks.flatMap(({ before }) => before ?? []))].flatMap((id): readonly Operation[] => {
    const body = bodyById(assembly, id);
    if (!body) return [];
    const here = checks.filter(({ before }) => before === id);
    const [end] = body.ends;
    return [
      {
        id: `measure-${id}`,
        kind: 'measure',
        ...(end ? { end: end.id } : {}),
        title: `Before ${sayPlace(body)} ${/s$/.test(body.name) && body.kind === 'device' ? 'are' : 'is'} closed: ${here.length === 1 ? 'one check' : `${here.length} checks`}`,
        detail: [
          'Nothing reaches this once it is closed. What was read is kept with the unit.',
          ...(here.length <= MOST_SAID ? here.map((check) => capital(check.says)) : []),
        ],
        checks: here.map((check) => check.id),
        ...(schools['proving'] === 'spot' ? { mayPass: true } : {}),
        ...(end?.madeOn === 'site' ? { site: true } : {}),
      },
    ];
  });
