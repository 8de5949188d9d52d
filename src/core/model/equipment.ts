import { contactTerminal, type Terminal } from '../assembly';
import type { Role, RoleMap } from '../catalogue';
import type { Element, NodeName, Resistor } from '../circuit';
import type { Facts } from '../situation';
import { nodeName } from './node';

/** What is in the equipment at one end, as far as its signal contacts show it. */
export class Equipment {
  readonly elements: Element[] = [];
  /** The element that stands for the resistance of each contact that is plugged in. */
  readonly contacts = new Map<Terminal, Resistor>();
  constructor(
    readonly end: string,
    readonly ground: NodeName,
    private readonly node: (terminal: Terminal) => NodeName,
    readonly facts: Facts,
  ) {}

  /** The equipment's own side of a contact, across the contact resistance of plug and socket. */
  contact(id: string): NodeName {
    const inside = `eq_${nodeName(`${this.end}.${id}`)}`;
    const terminal = contactTerminal(this.end, id);
    if (!this.contacts.has(terminal)) {
      const ohms = this.facts.contactMilliOhms / 1000;
      const resistance: Resistor = {
        kind: 'resistor',
        id: this.named('R', `contact_${id}`),
        a: inside,
        b: this.node(terminal),
        ohms,
      };
      this.contacts.set(terminal, resistance);
      this.elements.push(resistance);
    }
    return inside;
  }
  role(roles: RoleMap, role: Role): NodeName | undefined {
    const id = roles[role];
    return id === undefined ? undefined : this.contact(id);
  }
  resistor(name: string, a: NodeName, b: NodeName, ohms: number): void {
    if (a !== b) this.elements.push({ kind: 'resistor', id: this.named('R', name), a, b, ohms });
  }
  capacitor(name: string, a: NodeName, b: NodeName, farads: number): void {
    if (a !== b) this.elements.push({ kind: 'capacitor', id: this.named('C', name), a, b, farads });
  }
  inductor(name: string, a: NodeName, b: NodeName, henries: number): void {
    this.elements.push({ kind: 'inductor', id: this.named('L', name), a, b, henries });
  }
  supply(name: string, a: NodeName, b: NodeName, dc: number): string {
    const id = this.named('V', name);
    this.elements.push({ kind: 'voltage', id, a, b, dc });
    return id;
  }
  emf(name: string, a: NodeName, b: NodeName, volts: number): string {
    const id = this.named('V', name);
    this.elements.push({ kind: 'voltage', id, a, b, dc: 0, ac: { magnitude: volts } });
    return id;
  }
  /** As much as another source, or the other way round. */
  follow(
    name: string,
    a: NodeName,
    b: NodeName,
    [c, d]: readonly [NodeName, NodeName],
    gain: number,
  ): string {
    const id = this.named('E', name);
    this.elements.push({ kind: 'vcvs', id, a, b, c, d, gain });
    return id;
  }
  inside(name: string): NodeName {
    return `eq_${nodeName(this.end)}_${nodeName(name)}`;
  }
  private named(letter: string, name: string): string {
    return `${letter}_${nodeName(`${this.end} ${name}`)}`;
  }
}
