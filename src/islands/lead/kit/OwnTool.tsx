import { SettledField, Unseen } from '../../../ui';
import styles from './Kit.module.css';

const trimmed = (text: string): string => text.trim();

/** Which of the house’s own tools it is; emptied it is forgotten. */
export function OwnTool({
  name,
  ours,
  onSettle,
}: {
  readonly name: string;
  readonly ours: string;
  readonly onSettle: (ours: string) => void;
}) {
  return (
    <div className={styles['ours']}>
      <SettledField
        text={ours}
        read={trimmed}
        write={trimmed}
        onSettle={onSettle}
        label={
          <>
            <Unseen>{name}: </Unseen>ours
          </>
        }
        input={{ maxLength: 80 }}
      />
    </div>
  );
}
