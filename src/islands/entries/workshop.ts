import { App } from '../app/App';
import { WorkshopPage } from '../workshop/WorkshopPage';
import { PAGES } from '../pages';

PAGES.put('workshop', WorkshopPage);

export default App;
