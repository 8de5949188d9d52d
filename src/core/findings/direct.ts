import { leadTerminal, type Netlist, type Terminal } from '../assembly';
import { passesDirect } from '../model';
import { Union } from '../quantity';

/** Whether direct current passes between two terminals, by metal or through parts that conduct it. */
export function direct(netlist: Netlist): (a: Terminal, b: Terminal) => boolean {
  const netAt = (terminal: Terminal): string => netlist.netOf.get(terminal)?.name ?? terminal;
  const union = new Union();
  for (const { part } of netlist.parts)
    for (const group of passesDirect(part)) {
      const nets = group.map((lead) => netAt(leadTerminal(part.id, lead)));
      for (const net of nets) union.join(nets[0] ?? net, net);
    }
  const of = (terminal: Terminal): string => union.find(netAt(terminal));
  return (a, b) => of(a) === of(b);
}
