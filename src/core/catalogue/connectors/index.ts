import type { ConnectorEntry } from '../types';
import { trs635Plug, ts635Plug } from './jack635';
import { phonoPlug } from './phono';
import { xlr3Plug, xlr3Socket } from './xlr3';

export const CONNECTORS: readonly ConnectorEntry[] = [xlr3Plug, xlr3Socket, trs635Plug, ts635Plug, phonoPlug];
