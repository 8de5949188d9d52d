import { union, type Shape } from '../../quantity';
import { battery } from './battery';
import { capacitor } from './capacitor';
import { diode } from './diode';
import { lamp } from './lamp';
import { led } from './led';
import { potentiometer } from './potentiometer';
import { resistor } from './resistor';
import { switchPart } from './switch';
import { transformer } from './transformer';

/** Every kind of part. One is added by its file here and its line; what it is in a circuit and what it is called are in those rooms. */
const KINDS = [
  resistor,
  capacitor,
  diode,
  led,
  potentiometer,
  switchPart,
  transformer,
  battery,
  lamp,
] as const;

type Kinds = (typeof KINDS)[number];
export type PartKind = Kinds['kind'];
export const PART_KINDS: readonly PartKind[] = KINDS.map((each) => each.kind);

type Shapes = { readonly [Kind in PartKind]: Extract<Kinds, { readonly kind: Kind }>['shape'] };
const SHAPES = Object.fromEntries(KINDS.map((each) => [each.kind, each.shape])) as Shapes;

/** An electrical part in a body, told apart by its kind. */
export const partSchema = union('kind', SHAPES);
export type Part = Shape<typeof partSchema>;
/** A part of one kind. */
export type PartOf<Kind extends PartKind> = Extract<Part, { readonly kind: Kind }>;

/** What is said of a kind, for any part of it. */
interface AnyKind {
  leads(part: Part): readonly string[];
  carries?(part: Part): readonly (readonly string[])[];
  turns?(part: Part): readonly (readonly [string, string])[];
  value?(part: Part): number | undefined;
  withValue?(part: Part, value: number | undefined): Part;
}
const BY_KIND = new Map<string, AnyKind>(KINDS.map((each) => [each.kind, each]));
const kindOf = (part: Part): AnyKind => BY_KIND.get(part.kind) ?? { leads: () => [] };

/** The names of a part's leads, such as `a` and `b`. */
export const leadsOf = (part: Part): readonly string[] => kindOf(part).leads(part);
/** Groups of a part's leads between which a signal passes, whatever it does to it. */
export const carriesBetween = (part: Part): readonly (readonly string[])[] =>
  kindOf(part).carries?.(part) ?? [leadsOf(part)];
/** Pairs of a part's leads that can be taken one for the other, where that makes a difference. */
export const turnsOf = (part: Part): readonly (readonly [string, string])[] =>
  kindOf(part).turns?.(part) ?? [];
/** A part's value in the unit of its kind (Ω, F, V); undefined where it has none or it is not known. */
export const valueOf = (part: Part): number | undefined => kindOf(part).value?.(part);
/** The same part with another value, or with none known; unchanged where its kind has none. */
export const withValue = (part: Part, value: number | undefined): Part =>
  kindOf(part).withValue?.(part, value) ?? part;
