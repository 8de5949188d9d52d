import { endsOf } from '../../core/assembly';
import { facesAnother, linesOf } from '../../core/drawing';
import { mainUse, type Lead } from '../../core/lead';
import { capital } from '../../core/quantity';
import { Button } from '../../ui';
import styles from './Stage.module.css';
import type { View } from '../../core/vice';
import type { useView } from './useView';

/** What a channel is called: a number has the word before it. */
export const sayChannelName = (channel: string): string =>
  /^\d/.test(channel) ? `Channel ${channel}` : capital(channel);

const QUARTERS = [0, 1, 2, 3] as const;

/** How it is asked for on paper. */
const onPaper = ({ side, hand, turn, channel }: View): string =>
  new URLSearchParams({
    side,
    hand,
    turn: `${turn * 90}`,
    ...(channel === undefined ? {} : { channel }),
  }).toString();

/** How the ends are looked at: from which side, by which hand, turned in the vice, one channel of many. */
export function Looking({
  id,
  lead,
  view,
  taken,
  onTake,
}: {
  readonly id: string;
  readonly lead: Lead;
  readonly view: ReturnType<typeof useView>;
  /** The end in the hand, where one was taken up. */
  readonly taken: string | undefined;
  readonly onTake: (end: string | undefined) => void;
}) {
  const { side, hand, turn, channel, look } = view;
  const channels = linesOf(lead.assembly, mainUse(lead)).flatMap((group) => group.channel ?? []);
  const next: View['turn'] = QUARTERS[(turn + 1) % 4] ?? 0;
  return (
    <div className={styles['looking']} role="group" aria-label="How it is held">
      <Button onClick={() => look({ side: side === 'solder' ? 'mating' : 'solder' })}>
        {side === 'solder' ? 'Show the mating faces' : 'Show the solder sides'}
      </Button>
      <Button onClick={() => look({ turn: next })}>Turn it in the vice</Button>
      <Button
        onClick={() => {
          look({ hand: hand === 'left' ? 'right' : 'left' });
          // What lies the other way round is seen on one end in the hand.
          onTake(taken ?? endsOf(lead.assembly)[0]?.id);
        }}
      >
        {hand === 'left' ? 'For the right hand' : 'For the left hand'}
      </Button>
      {facesAnother(lead.assembly) && (taken !== undefined || turn !== 0) && (
        <Button
          onClick={() => {
            look({ turn: 0 });
            onTake(undefined);
          }}
        >
          Both ends
        </Button>
      )}
      <a href={`/api/leads/${id}/drawing.pdf?${onPaper(view)}`} target="_blank" rel="noreferrer">
        On paper, at true size
      </a>
      {channels.length > 1 && (
        <label>
          Show{' '}
          <select
            value={channel ?? ''}
            onChange={(event) => look({ channel: event.target.value || undefined })}
          >
            <option value="">every channel</option>
            {channels.map((each) => (
              <option key={each} value={each}>
                {sayChannelName(each).toLowerCase()} alone
              </option>
            ))}
          </select>
        </label>
      )}
    </div>
  );
}
