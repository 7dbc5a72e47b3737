import type { Problem } from '#core/units/problem';
import { Notice } from './Notice';

/** Everything that was wrong with what was sent, each with its place. */
export function Problems({ problems, title }: { problems: Problem[]; title: string }) {
  if (problems.length === 0) return null;
  return (
    <div role="alert">
      <Notice grade="caution" title={title}>
        <ul className="mt-1 list-disc pl-5">
          {problems.map(({ path, sentence }) => (
            <li key={`${path} ${sentence}`}>
              {path !== '' && <code className="mr-1 rounded-sm bg-film px-1 text-sm">{path}</code>}
              {sentence}
            </li>
          ))}
        </ul>
      </Notice>
    </div>
  );
}
