/** What the dip line understands, by examples: a line, and what it writes. */
export const DIP_WORDS: readonly (readonly [line: string, does: string])[] = [
  ['1.048 21c', 'a gravity, and how warm the sample was'],
  ['1.070 at 68 · 70f 1.062 · 12 bx · 1.012 float', 'the same in other words, or by another instrument'],
  ['ph 3.42 ta 6.1', 'an acidity, and titrated acid in g/L'],
  ['so2 28 · lees 12 mm', 'free sulfur dioxide, height of the lees'],
  ['bubbling · no bubbles · film · vinegar', 'what you see and smell'],
  ['fed', 'the dose that is planned, as planned'],
  ['fed 3 g organic + 0.8 g dap', 'what you really gave, as one dose'],
  ['honey 200 g · water 1 l · sulfite 0.4 g', 'what went in'],
  ['degassed · stirred · clear · hazy', 'what you did or see'],
  ['racked 4.2 l to the 5 l jug, 0.4 l to the small jug as companion', 'into which vessels, and how much'],
  ['topped up 0.1 l from the companion · split 2 l into the 3 l jug', 'between vessels'],
  ['pitched one packet · 2 tablets · half a tsp tartaric acid', 'by the packet, the tablet, the spoon'],
  ['heated to 63c for 20 min · filtered through pads · moved to the cellar', 'what was done to it'],
  ['bottled 5 x 750 ml · opened one', 'bottles, and where they went'],
  ['bag out 400 g', 'pulp lifted out, as it drips'],
  ['lost 1.5 l · foamed over 1.5 l', 'what is gone'],
  ['yesterday 18:40 1.062 · sunday 9:00 … · 3 h ago …', 'the same, earlier'],
  ['note rain all day', 'a note, word for word'],
];

/** The field’s words, for who meets them first here. */
export const TERMS: readonly (readonly [term: string, means: string])[] = [
  ['must', 'honey and water, with fruit or without, before and while it ferments'],
  ['pitch', 'to give the yeast into the must; its hour is where all counting of days begins'],
  ['gravity', 'how much heavier the must is than water: 1.100 is a tenth heavier. Sugar lifts it, alcohol lowers it'],
  ['points', 'the thousandths of a gravity: from 1.100 to 1.010 it fell by 90 points'],
  ['Brix', 'sugar in a hundred parts of must by weight; a refractometer shows it, and is fooled by alcohol'],
  ['YAN', 'yeast assimilable nitrogen, what yeast can eat beside sugar. Honey has next to none of it, so mead is fed'],
  ['lag', 'the hours between the pitch and the first sign of life'],
  ['third break', 'the moment when a third of the sugar is gone; feeding ends there'],
  ['degas', 'to stir carbon dioxide out, slowly: fast, it foams over'],
  ['lees', 'what settles: yeast, pulp, finings'],
  ['rack', 'to siphon the mead off its lees into a clean vessel'],
  ['headspace', 'the air above the liquid; much while it foams, almost none while it ages'],
  ['stabilize', 'to keep a mead from fermenting again, by two powders together, by heat, or by leaving no sugar'],
  ['back-sweeten', 'to give honey to a finished mead, once it can no longer ferment'],
  ['prime', 'to give a dry mead a little weighed sugar in the bottle, for its gas'],
  ['dry', 'without sugar that can be tasted; a gravity near or below 1.000'],
  ['melomel', 'mead with fruit'],
];

/** What stands between a mead and closed glass, by the names that the gates have where they stand. */
export const GATES: readonly (readonly [gate: string, says: string])[] = [
  ['Finished', 'It stands at its expected end, or where you say that it stays, on one line for long enough.'],
  ['Clear', 'What floats in it would settle in the bottle, and hides yeast.'],
  ['Degassed', 'Gas that is in it lifts a hydrometer and foams when honey or sugar falls in.'],
  ['Stabilized', 'Sulfite and sorbate together in the volume that is there, or heat to its core, or no sugar left to eat.'],
  ['24 hours waited', 'The powders work for a day before any honey goes in.'],
  ['Same gravity after the wait', 'A reading then shows that nothing moved.'],
];
