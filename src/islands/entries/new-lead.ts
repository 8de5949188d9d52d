import { App } from '../app/App';
import { NewLeadPage } from '../lead/NewLeadPage';
import { PAGES } from '../pages';

PAGES.put('new lead', NewLeadPage);

export default App;
