import { App } from '../app/App';
import { WiringStage } from '../lead/WiringStage';
import { LeadPage } from '../lead/LeadPage';
import { STAGES } from '../lead/stages';
import { PAGES } from '../pages';

PAGES.put('lead', LeadPage);
STAGES.doors.put('wiring', WiringStage);

export default App;
