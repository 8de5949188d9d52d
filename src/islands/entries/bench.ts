import { App } from '../app/App';
import { Bench } from '../unit/Bench';
import { PAGES } from '../pages';

PAGES.put('bench', Bench);

export default App;
