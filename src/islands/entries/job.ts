import { App } from '../app/App';
import { JobPage } from '../job/JobPage';
import { PAGES } from '../pages';

PAGES.put('job', JobPage);

export default App;
