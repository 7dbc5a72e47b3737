import { Info, OctagonAlert, TriangleAlert } from 'lucide-react';
import type { ReactNode } from 'react';

const LOOKS = {
  hazard: { box: 'border-hazard bg-hazard-wash', ink: 'text-hazard', icon: OctagonAlert, word: 'Hazard' },
  caution: {
    box: 'border-caution bg-caution-wash',
    ink: 'text-caution',
    icon: TriangleAlert,
    word: 'Caution',
  },
  note: { box: 'border-rule bg-sheet', ink: 'text-muted', icon: Info, word: 'Note' },
} as const;

interface Props {
  grade: keyof typeof LOOKS;
  title: string;
  children?: ReactNode;
}

/** Something the user should know now, graded by shape, word and colour. */
export function Notice({ grade, title, children }: Props) {
  const { box, ink, icon: Icon, word } = LOOKS[grade];
  return (
    <div className={`flex gap-3 rounded-sm border p-3 ${box}`}>
      <Icon className={`mt-0.5 size-6 shrink-0 ${ink}`} aria-hidden="true" />
      <div className="min-w-0">
        <p className="font-bold">
          <span className="sr-only">{word}: </span>
          {title}
        </p>
        {children}
      </div>
    </div>
  );
}
