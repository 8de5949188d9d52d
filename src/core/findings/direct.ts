import { Union, type Netlist, type Part, type Terminal } from '../assembly';

/** The leads of a part between which direct current passes: resistors, controls, windings, switches. */
function conducting(part: Part): readonly (readonly string[])[] {
  switch (part.kind) {
    case 'resistor':
    case 'switch':
    case 'battery':
    case 'lamp':
      return [part.leads];
    case 'potentiometer':
      return (part.gangs ?? ['']).map((gang) => part.leads.filter((lead) => lead.startsWith(gang)));
    case 'transformer':
      return [
        ['p1', 'p2'],
        ['s1', 's2'],
      ];
    case 'capacitor':
    case 'diode':
    case 'led':
      return [];
  }
}

/** Whether direct current passes between two terminals, by metal or through parts that conduct it. */
export function direct(netlist: Netlist): (a: Terminal, b: Terminal) => boolean {
  const union = new Union();
  for (const { part, leads } of netlist.parts)
    for (const group of conducting(part)) {
      const nets = group.flatMap((lead) => leads[lead] ?? []);
      for (const net of nets) union.join(nets[0] ?? net, net);
    }
  const of = (terminal: Terminal): string => union.find(netlist.netOf.get(terminal)?.name ?? terminal);
  return (a, b) => of(a) === of(b);
}
