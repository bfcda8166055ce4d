import { describe, expect, it } from 'vitest';
import { bookingText } from '../src/stages/days/dayWords';

describe('what is booked', () => {
  it('is told with what concrete is placed with', () => {
    expect(bookingText({ name: 'Inspection', needs: ['inspector'] })).toBe('Inspection');
    expect(bookingText({ name: 'Pour', needs: ['plant', 'pump operator'] })).toBe('Pump and concrete');
    expect(bookingText({ name: 'Pour 2', needs: ['plant', 'conveyor operator'] })).toBe(
      'Conveyor and concrete, Pour 2',
    );
    expect(bookingText({ name: 'Pour 1', needs: ['plant'] })).toBe('Concrete, Pour 1');
  });
});
