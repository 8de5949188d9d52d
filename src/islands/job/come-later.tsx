import { Later } from '../../ui';
import type { ChainFormProps } from './ChainForm';
import type { WorkBoxProps } from './WorkBox';

const loadChain = async () => (await import('./ChainForm')).ChainForm;
const loadBox = async () => (await import('./WorkBox')).WorkBox;
const [chain, box] = import.meta.env.SSR ? await Promise.all([loadChain(), loadBox()]) : [];

/** Devices in a row, whose hops become leads: there at once, its script after that of the page. */
export const ChainLater = (props: ChainFormProps) => (
  <Later name="chain" load={loadChain} onServer={chain} with={props} />
);

/** The fewest adapters for what may be needed: there at once, its script after that of the page. */
export const BoxLater = (props: WorkBoxProps) => (
  <Later name="box" load={loadBox} onServer={box} with={props} />
);
