import { App } from '../app/App';
import { StagePage } from '../stage/StagePage';
import { PAGES } from '../pages';

PAGES.put('stage', StagePage);

export default App;
