import { App } from '../app/App';
import { ProveStage } from '../lead/ProveStage';
import { LeadPage } from '../lead/LeadPage';
import { STAGES } from '../lead/stages';
import { PAGES } from '../pages';

PAGES.put('lead', LeadPage);
STAGES.doors.put('prove', ProveStage);

export default App;
