interface Props {
  picture: { size: number; path: string };
  label: string;
  className?: string;
}

/** A QR code: dark on white in both themes, since a camera needs it so. */
export function QrCode({ picture: { size, path }, label, className = 'w-72' }: Props) {
  return (
    <svg
      viewBox={`-4 -4 ${size + 8} ${size + 8}`}
      role="img"
      aria-label={label}
      className={className}
      shapeRendering="crispEdges"
    >
      <rect x={-4} y={-4} width={size + 8} height={size + 8} fill="white" />
      <path d={path} fill="black" />
    </svg>
  );
}
