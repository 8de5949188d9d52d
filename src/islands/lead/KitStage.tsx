import { endsOf } from '../../core/assembly';
import { drilledOf } from '../../core/drilling';
import { manyOf, pickKey, type KitLine } from '../../core/kit';
import { HowMany, Turn } from '../../ui';
import { useStored } from '../app';
import { CostsLater, DrillingLater, LengthsLater, ToolsLater } from './kit/come-later';
import styles from './kit/Kit.module.css';
import { PickList } from './kit/PickList';
import { useWhere } from './kit/useWhere';
import { usePicks } from './kit/usePicks';
import type { StageProps } from './stage-props';

/** So many of a lead are made from one kit at the most. */
const MOST = 1000;

interface Making {
  readonly count: number;
  readonly pairs: boolean;
}

const ONE: Making = { count: 1, pairs: false };

/** Under what a line is kept as picked: of another count it is another thing to pick. */
const keyOf = (line: KitLine, { count, pairs }: Making): string =>
  `${count === 1 && !pairs ? '' : `for ${count}${pairs ? ' pairs' : ''}: `}${pickKey(line)}`.slice(0, 400);

/** What to lay out, to cut and to strip before starting; what has to fit, and the tools. */
export function KitStage({ sheet, read: { lead } }: StageProps) {
  const [making, make] = useStored<Making>(`making.${sheet.id}`, ONE);
  const { picks, pick, problem } = usePicks(sheet);
  const whereIs = useWhere();
  if (!lead) return <p>The intent has to be whole before there is a kit: go back to it along the cable.</p>;
  const drilled = drilledOf(lead.assembly);
  const lines = manyOf(sheet.kit, making, endsOf(lead.assembly).length);
  return (
    <div className={styles['kit']}>
      <section aria-label="Lay out">
        <h2>Lay out</h2>
        <Make making={making} onMake={(next) => make(() => next)} />
        <Turn>
          <PickList
            lines={lines}
            whereIs={whereIs}
            stateOf={(line) => picks[keyOf(line, making)]}
            onPick={(line, is) => pick(keyOf(line, making), is)}
          />
        </Turn>
        {problem !== undefined && <p role="alert">{problem}</p>}
        <p>
          <a
            href={`/api/leads/${sheet.id}/kit.pdf?count=${making.count}${making.pairs ? '&pairs=yes' : ''}`}
            target="_blank"
            rel="noreferrer"
          >
            {lead.assembly.spans.length > 0 ? 'On paper, with a strip gauge at true size' : 'On paper'}
          </a>
        </p>
        <CostsLater id={sheet.id} lines={sheet.kit} lead={lead} making={making} />
        <ToolsLater lead={lead} />
      </section>
      <div>
        <LengthsLater id={sheet.id} lead={lead} making={making} />
        {drilled && <DrillingLater id={sheet.id} is={drilled.is} />}
      </div>
    </div>
  );
}

function Make({ making, onMake }: { making: Making; onMake: (next: Making) => void }) {
  return (
    <div className={styles['make']}>
      <label>
        make
        <HowMany
          count={making.count}
          least={1}
          most={MOST}
          onCount={(count) => onMake({ ...making, count })}
        />
      </label>
      <label>
        <input
          type="checkbox"
          checked={making.pairs}
          onChange={({ target }) => onMake({ ...making, pairs: target.checked })}
        />
        as pairs, left and right
      </label>
    </div>
  );
}
