import type { UnitSystem } from '@ombra/core/kernel/measure';

/** How much of the neighbouring wall is shown, in wall thicknesses. */
export const STUB = 0.5;

/** Wall coordinates in pixels: x along the wall from its first corner, y from the outside face inward. */
export interface Frame {
  readonly scale: number;
  readonly thickness: number;
  readonly panel: number;
  readonly length: number;
  readonly units: UnitSystem;
  /** The drawing stands on its head, seen from outside; words are turned back. */
  readonly turned: boolean;
}

export const px = (value: number): number => Math.round(value * 10) / 10;

interface BoxProps {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly className: string;
}

export const Box = ({ x, y, width, height, className }: BoxProps) => (
  <rect x={px(x)} y={px(y)} width={px(width)} height={px(height)} className={className} />
);

interface WordProps {
  readonly x: number;
  readonly y: number;
  readonly frame: Frame;
  readonly className: string;
  readonly children: string;
}

/** Words centred on a point, upright whichever way the drawing is turned. */
export function Word({ x, y, frame, className, children }: WordProps) {
  const at = `${String(px(x))} ${String(px(y))}`;
  return (
    <text
      x={px(x)}
      y={px(y)}
      textAnchor="middle"
      dominantBaseline="central"
      className={className}
      {...(frame.turned ? { transform: `rotate(180 ${at})` } : {})}
    >
      {children}
    </text>
  );
}
