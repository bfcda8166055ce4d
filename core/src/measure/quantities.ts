/** One cubic yard in cubic metres, exactly [NIST SP 811]. */
export const CUBIC_METRES_PER_CUBIC_YARD = 0.764554857984;
/** One square inch in square metres, exactly [NIST SP 811]. */
export const SQUARE_METRES_PER_SQUARE_INCH = 0.00064516;
/** One square foot in square metres, exactly [NIST SP 811]. */
export const SQUARE_METRES_PER_SQUARE_FOOT = 0.09290304;

export const toCubicYards = (cubicMetres: number): number => cubicMetres / CUBIC_METRES_PER_CUBIC_YARD;
export const toSquareInches = (squareMetres: number): number => squareMetres / SQUARE_METRES_PER_SQUARE_INCH;
export const toSquareFeet = (squareMetres: number): number => squareMetres / SQUARE_METRES_PER_SQUARE_FOOT;
/** One cubic yard is 27 cubic feet. */
export const toCubicFeet = (cubicMetres: number): number => 27 * toCubicYards(cubicMetres);
