import { App } from '../app/App';
import { Prove } from '../unit/Prove';
import { PAGES } from '../pages';

PAGES.put('prove', Prove);

export default App;
