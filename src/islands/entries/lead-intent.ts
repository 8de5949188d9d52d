import { App } from '../app/App';
import { IntentStage } from '../lead/IntentStage';
import { LeadPage } from '../lead/LeadPage';
import { STAGES } from '../lead/stages';
import { PAGES } from '../pages';

PAGES.put('lead', LeadPage);
STAGES.doors.put('intent', IntentStage);

export default App;
