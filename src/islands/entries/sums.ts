import { App } from '../app/App';
import { SumsPage } from '../sums/SumsPage';
import { PAGES } from '../pages';

PAGES.put('sums', SumsPage);

export default App;
