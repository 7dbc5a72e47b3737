/** Pages of another program's form as they are typed: "Drive: 1 2 5; Brake: 3 4". */
import type { FormPage } from '../esc/media';
import type { ProfileItem } from '../esc/profile';
import { nameFault, shortened } from '../units/text';

export function readPages(
  text: string,
  items: readonly ProfileItem[],
  refuse: (sentence: string) => void,
): FormPage[] {
  return text
    .split(';')
    .map((page) => page.trim())
    .filter(Boolean)
    .map((page): FormPage => {
      const [, title = '', numbers = ''] = /^(.*?)\s*:\s*([\d\s,]*)$/.exec(page) ?? [];
      const fault = nameFault(title);
      if (fault)
        refuse(
          `“${shortened(page)}” is not a page. Type its title, a colon and its item numbers: “Brake: 3 4”.`,
        );
      const itemIds = numbers
        .split(/[\s,]+/)
        .filter(Boolean)
        .flatMap((number) => {
          const named = items.filter((one) => String(one.number) === number);
          if (named.length === 0)
            refuse(`Page “${shortened(title)}” names item ${number}; there are ${items.length}.`);
          return named.map(({ id }) => id);
        });
      return { title, itemIds };
    });
}

export const pagesText = (pages: readonly FormPage[], items: readonly ProfileItem[]): string =>
  pages
    .map(({ title, itemIds }) => {
      const numbers = new Set(itemIds.map((id) => items.find((item) => item.id === id)?.number ?? id));
      return `${title}: ${[...numbers].join(' ')}`;
    })
    .join('; ');
