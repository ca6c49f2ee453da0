/** The demo's world and its data. It speaks HTTP, and knows nobody's inside. */
export { demoCodes, type DemoCode } from './codes.ts';
export { hosts } from './hosts.ts';
export { smallSites, spotOfAll, type SmallSite } from './editors/small-sites.ts';
export { markerLine } from './editors/tempers.ts';
export { faultNames, type Fault } from './faults.ts';
export { standIns, type StandIn } from './providers/index.ts';
export { inspectDemo, loadDemo, lookAtDemo, sweepAll } from './load.ts';
export { peopleOfDemo } from './load-people.ts';
export { loopbackFetch } from './loopback.ts';
export { createDemoApp, startDemoServer, type DemoServer } from './server.ts';
