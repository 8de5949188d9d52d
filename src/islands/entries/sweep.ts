import { App } from '../app/App';
import { SweepPage } from '../sweep/SweepPage';
import { PAGES } from '../pages';

PAGES.put('sweep', SweepPage);

export default App;
