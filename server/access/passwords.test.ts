import { describe, expect, it } from 'vitest';
import { hashPassword, isPassword, passwordFault } from './passwords';

describe('a password that is chosen', () => {
  it.each(['wet kelp on the drive', '  spaces count too  ', 'ключ от гаража'])('%s will do', (password) => {
    expect(passwordFault(password, ['My garage'])).toBeUndefined();
  });

  it.each([
    ['', '0 characters'],
    ['eleven char', '11 characters'],
    ['x'.repeat(129), '129 characters'],
    ['aaaabbbbaaaabbbb', 'too few'],
    ['qwertyuiopasdf', 'row of keys'],
    ['123456789012', 'row of keys'],
    ['Kelp beach garage!', 'name of the garage'],
  ])('%s will not', (password, why) => {
    expect(passwordFault(password, ['Kelp beach garage'])).toContain(why);
  });
});

describe('a password that is kept', () => {
  it('is told from every other, and is not in what is kept', async () => {
    const kept = await hashPassword('wet kelp on the drive');
    expect(kept).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    expect(kept).not.toContain('kelp');
    expect(await isPassword(kept, 'wet kelp on the drive')).toBe(true);
    expect(await isPassword(kept, 'wet kelp on the drive ')).toBe(false);
    expect(await isPassword(kept, 'Wet kelp on the drive')).toBe(false);
    expect(kept).not.toBe(await hashPassword('wet kelp on the drive'));
  });

  it('is never right where there is none', async () => {
    expect(await isPassword(null, '')).toBe(false);
  });
});
