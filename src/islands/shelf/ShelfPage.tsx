import { Frame } from '../app';
import { CutForJob } from './CutForJob';
import { Pieces, ToBuy } from './Pieces';
import styles from './Shelf.module.css';
import { TakeIn } from './TakeIn';
import { useShelf } from './useShelf';

const KEYS = [['Tab', 'from field to field']] as const;

/** What lies on the shelf, and what to cut from what. */
export function ShelfPage() {
  return (
    <Frame keys={KEYS} trail={<a href="/">the board</a>}>
      <Shelf />
    </Frame>
  );
}

function Shelf() {
  const { pieces, happened } = useShelf();
  return (
    <main id="main" tabIndex={-1} className={styles['page']}>
      <h1>The shelf</h1>
      <div className={styles['halves']}>
        <section aria-label="What there is">
          <h2>What there is</h2>
          <ToBuy pieces={pieces} />
          <Pieces pieces={pieces} onHappened={happened} />
          <TakeIn onHappened={happened} />
        </section>
        <CutForJob pieces={pieces} onHappened={happened} />
      </div>
    </main>
  );
}
