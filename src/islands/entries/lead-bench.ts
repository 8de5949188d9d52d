import { App } from '../app/App';
import { BenchStage } from '../lead/BenchStage';
import { LeadPage } from '../lead/LeadPage';
import { STAGES } from '../lead/stages';
import { PAGES } from '../pages';

PAGES.put('lead', LeadPage);
STAGES.doors.put('bench', BenchStage);

export default App;
