import { App } from '../app/App';
import { KitStage } from '../lead/KitStage';
import { LeadPage } from '../lead/LeadPage';
import { STAGES } from '../lead/stages';
import { PAGES } from '../pages';

PAGES.put('lead', LeadPage);
STAGES.doors.put('kit', KitStage);

export default App;
