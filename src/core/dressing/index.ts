export { dressed, type Dressed } from './dressed';
export { channelColour, markedEnds } from './rules/channel-ring';
export { DRESSING_RULES } from './rules';
