import { App } from '../app/App';
import { Board } from '../board/Board';
import { PAGES } from '../pages';

PAGES.put('board', Board);

export default App;
