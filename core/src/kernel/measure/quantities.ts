/** One cubic yard in cubic metres, exactly [NIST SP 811]. */
export const CUBIC_METRES_PER_CUBIC_YARD = 0.764554857984;
/** One square inch in square metres, exactly [NIST SP 811]. */
const SQUARE_METRES_PER_SQUARE_INCH = 0.00064516;
/** One square foot in square metres, exactly [NIST SP 811]. */
export const SQUARE_METRES_PER_SQUARE_FOOT = 0.09290304;

export const toCubicYards = (cubicMetres: number): number => cubicMetres / CUBIC_METRES_PER_CUBIC_YARD;
export const toSquareInches = (squareMetres: number): number => squareMetres / SQUARE_METRES_PER_SQUARE_INCH;
export const toSquareFeet = (squareMetres: number): number => squareMetres / SQUARE_METRES_PER_SQUARE_FOOT;
/**
 * One cubic yard is 27 cubic feet.
 *
 * @example toCubicFeet(0.028316846592) // 1
 */
export const toCubicFeet = (cubicMetres: number): number => 27 * toCubicYards(cubicMetres);

/** One foot in metres, exactly [NIST SP 811]. */
export const METRES_PER_FOOT = 0.3048;
/** One pound in kilograms, exactly [NIST SP 811]. */
export const KILOGRAMS_PER_POUND = 0.45359237;
/** Standard gravity in metres a second squared [NIST SP 811]. */
export const STANDARD_GRAVITY = 9.80665;
/** One pound-force in newtons: a pound under standard gravity, exactly [NIST SP 811]. */
const NEWTONS_PER_POUND_FORCE = KILOGRAMS_PER_POUND * STANDARD_GRAVITY;
/** One pound-force on a square foot, in pascals. */
export const PASCALS_PER_PSF = NEWTONS_PER_POUND_FORCE / SQUARE_METRES_PER_SQUARE_FOOT;
/** One pound in a cubic foot, in kilograms in a cubic metre. */
export const KILOGRAMS_PER_CUBIC_METRE_PER_PCF = KILOGRAMS_PER_POUND / METRES_PER_FOOT ** 3;

export const toCelsius = (fahrenheit: number): number => ((fahrenheit - 32) * 5) / 9;
export const toFahrenheit = (celsius: number): number => (celsius * 9) / 5 + 32;
