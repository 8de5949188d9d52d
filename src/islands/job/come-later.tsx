import { Later } from '../../ui';
import type { ChainFormProps } from './ChainForm';

const loadChain = async () => (await import('./ChainForm')).ChainForm;
const [chain] = import.meta.env.SSR ? await Promise.all([loadChain()]) : [];

/** Devices in a row, whose hops become leads: there at once, its script after that of the page. */
export const ChainLater = (props: ChainFormProps) => (
  <Later name="chain" load={loadChain} onServer={chain} with={props} />
);
