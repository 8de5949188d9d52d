// Changes that nobody who builds a lead could see: by file, by the line that they are in, and why. They are named, and not tried.
const HARMLESS = [
  {
    file: /core\/heat\/answer\.ts$/,
    line: /wetsAt === undefined \|\| dwell === undefined/,
    because: 'what does not wet has no time to be held either: the two come together',
  },
  {
    file: /core\/findings\/rules\/coil\.ts$/,
    line: /picofarads [<>] wants\./,
    says: /^[<>] → [<>]=$/,
    because: 'a capacitance that is to the last digit what is wanted at the most is met by no lead',
  },
  {
    file: /core\/stock\/columns\.ts$/,
    line: /least - NOTHING/,
    because: 'of what is just as good more or less is looked at: the end is the same',
  },
  {
    file: /core\/stock\/patterns\.ts$/,
    line: /other\.sums\[(?:low|high) - 1\]/,
    because: 'how many there are is only asked to choose a way of looking',
  },
  {
    file: /core\/optimum\/program\.ts$/,
    line: /idle = value < best/,
    because: 'after how many turns that bring nothing it turns more carefully',
  },
  {
    file: /core\/kit\/sheet\.ts$/,
    line: /before\.mm \?\? 0/,
    because: 'lines of the same words are both by the metre, or both by the piece',
  },
  {
    file: /core\/optimum\/integer\.ts$/,
    line: /const little = |\blittle \* \(/,
    because:
      'by how much ways are told apart that cost the same: what is claimed is bounded by what is left after it',
  },
  {
    file: /core\/sweep\/patch\.ts$/,
    line: /MOST_PROGRAMS = |GOLDEN = /,
    because:
      'how long is looked, and which of what is as good comes first: what is claimed is proven all the same',
  },
  {
    file: /core\/proving\/pieces\.ts$/,
    line: /before\[n \+ 1\]|after\[k \+ 1\]/,
    because: 'what stayed and is taken for changed is looked at anew, and reads what it read',
  },
  {
    file: /core\/model\/ohmmeter\.ts$/,
    line: /return before \?\? 0/,
    because: 'of the point that all is counted from nobody asks',
  },
  {
    file: /core\/dressing\/rules\/hardware\.ts$/,
    line: /joints\.length > 0/,
    says: /^0 → 1$/,
    because: 'a device that a cable is made to has more than one joint',
  },
  {
    file: /core\/bench\/operations\/braid\.ts$/,
    line: /most > 0/,
    because: 'a braid is made of wires, and they have a length',
  },
  {
    file: /core\/signal\/questions\/tell-tale\.ts$/,
    line: /right\?\.\w+ \?\? 0/,
    because: 'a table of what lamps show has a first line',
  },
  {
    file: /core\/(?:optimum|circuit|heat|stock)\//,
    line: /for \(let \w+ = .*; \w+ < [\w.]+\.length; \w+\+\+\)/,
    says: /^< → <=$/,
    because: 'what lies behind the end of a list of numbers is read as nothing, and written nowhere',
  },
  {
    file: /core\/stock\/(?:first|lengthen|by-columns|packed|patterns)\.ts$/,
    line: /random\(\)|\* 0\.\d+|^ {2}\d[\d_]*,$|BY_CHANCE|MOST_LOOKED|MOST_TRIED/,
    because: 'where a plan is looked for first: what is found is held against its bound all the same',
  },
  {
    file: /core\/(?:stock|optimum)\//,
    line: /\b(?:MOST_STEPS|STEPS|LOOKS|MOST_TURNS)\b.*=/,
    because:
      'how often the clock is looked at, and when a search gives up: what is claimed is proven all the same',
  },
  {
    file: /core\/optimum\/program\.ts$/,
    line: /[<>]=? least [+-] NOTHING/,
    because: 'which of two that are as good is taken first: the end is the same',
  },
  {
    file: /core\/assembly\/references\.ts$/,
    line: /at < 0/,
    says: /^< → <=$/,
    because: 'no name of a terminal begins with its side',
  },
  {
    file: /core\/assembly\/netlist\.ts$/,
    line: /shells\.length > 1/,
    because: 'a shell that is bonded to itself is bonded to nothing',
  },
  {
    file: /core\/drilling\/cover\.ts$/,
    line: /\[wideMm = 0/,
    because: 'a measure that cannot be read is refused before it is used',
  },
  {
    file: /core\/drilling\/layout\.ts$/,
    line: /best\.least >= enoughMm/,
    because: 'what is just enough is found one step later',
  },
  {
    file: /core\/described\/candidates\.ts$/,
    line: /all\.length > 0 \? \[undefined\]/,
    because: 'a recipe refuses what such a connector cannot be: it takes longer to say so',
  },
  {
    file: /core\/circuit\/between\.ts$/,
    line: /MOST_SHARE|ENOUGH/,
    because: 'from how many on it is no saving to foretell: solved is all the same',
  },
  {
    file: /core\/circuit\/skeleton\.ts$/,
    line: /times\[node\]|places\[node\]/,
    because: 'whether two parts in line are one unknown or two: the answer is the same',
  },
  {
    file: /core\/heat\/integrate\.ts$/,
    line: /inBandSlope = /,
    because: 'by how much a turn goes too far: they go on until they agree',
  },
  {
    file: /core\/quantity\/shape\.ts$/,
    line: /slice\(0, 400\)/,
    because: 'of a path so long 120 letters are said',
  },
  {
    file: /core\/workbox\/serves\.ts$/,
    line: /Math\.max\(sum, mm\), 0\)/,
    because: 'no lead is as short as a millimetre',
  },
  {
    file: /core\/vice\/drill-pages\.ts$/,
    line: /Math\.abs\(x\) < 0\.2/,
    because: 'a dial has no tick between its top and one a tenth of a turn beside it',
  },
  {
    file: /core\/described\/describe\.ts$/,
    line: /plain\[0\]\?\.weight === 0/,
    because: 'whether more is tried where the nearest is alike already: it stays the nearest',
  },
];

/** Why a change is harmless, by its place and the text of its line; undefined where nobody says that it is. */
export const harmlessBecause = ({ file, says }, line) =>
  HARMLESS.find((each) => each.file.test(file) && each.line.test(line) && (each.says?.test(says) ?? true))
    ?.because;
