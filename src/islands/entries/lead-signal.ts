import { App } from '../app/App';
import { SignalStage } from '../lead/SignalStage';
import { LeadPage } from '../lead/LeadPage';
import { STAGES } from '../lead/stages';
import { PAGES } from '../pages';

PAGES.put('lead', LeadPage);
STAGES.doors.put('signal', SignalStage);

export default App;
