const NUMBER = String.raw`\d(?:[\d,]*\d)?(?:\.\d+)?(?: \d+\/\d+|\/\d+)?`;
const UNITS = '°F|°C|°|lb\\/ft³|lb\\/ft²|kN\\/m³|kPa|psi|MPa|yd³|m³|ft\\/h|m\\/h|ft|in|mm|cm|min|%|s|h|m';
const VALUE = new RegExp(
  `“[^”]*”|[A-Z]′?–[A-Z]′?|#\\d+|${NUMBER}′(?: ${NUMBER}″)?|${NUMBER}″|${NUMBER}(?: ?(?:${UNITS})(?![A-Za-z]))?`,
  'g',
);

/**
 * What a sentence says in figures and names, each once and sorted: numbers with their units, quoted text, walls, bar sizes. Tests
 * compare these, so that the words around them can be bettered.
 *
 * @example valuesIn('A–B: the bar at 6′ 2″ is “H1”.') // ['6′ 2″', 'A–B', '“H1”']
 */
export const valuesIn = (sentence = ''): readonly string[] =>
  [...new Set(sentence.match(VALUE) ?? [])].sort();
