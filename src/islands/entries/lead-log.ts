import { App } from '../app/App';
import { LogStage } from '../lead/LogStage';
import { LeadPage } from '../lead/LeadPage';
import { STAGES } from '../lead/stages';
import { PAGES } from '../pages';

PAGES.put('lead', LeadPage);
STAGES.doors.put('log', LogStage);

export default App;
