import { App } from '../app/App';
import { PAGES } from '../pages';
import { ShelfPage } from '../shelf/ShelfPage';

PAGES.put('shelf', ShelfPage);

export default App;
