import type { Locator, Page } from '@playwright/test';
import { openDemoRig, openNewRigOf } from './rigs';
import { FRESH, expect, test } from './test';

/** The demo's buggy, of its own: what one test moves would be moved for others. */
const openBuggy = (page: Page, name: string): Promise<string> =>
  openDemoRig(page, 'kelp-beach-buggy', name, 'tune');

interface Band {
  top: number;
  bottom: number;
}

/** What of the window the rails have: under the strip of moments, above what stays at the bottom. */
async function room(page: Page, above: Locator, below: Locator): Promise<Band> {
  const [strip, bar] = [(await above.boundingBox())!, (await below.boundingBox())!];
  return { top: strip.y + strip.height, bottom: Math.min(bar.y, page.viewportSize()!.height) };
}

async function wholeIn({ top, bottom }: Band, all: Locator): Promise<number> {
  const boxes = await Promise.all((await all.all()).map((one) => one.boundingBox()));
  return boxes.filter((box) => box && box.y >= top && box.y + box.height <= bottom).length;
}

const strip = (page: Page) => page.getByRole('navigation', { name: 'Moments of driving' });
const aside = (page: Page) => page.getByRole('complementary', { name: 'What the draft does' });

for (const { width, height, rails } of [
  { width: 1280, height: 800, rails: 6 },
  { width: 1440, height: 900, rails: 8 },
])
  test(`at ${width} × ${height} at least ${rails} rails are in sight, with the drill and all its numbers`, async ({
    page,
  }) => {
    await page.setViewportSize({ width, height });
    await openBuggy(page, `In sight at ${width}`);
    const rows = aside(page)
      .getByRole('row')
      .filter({ has: page.getByRole('rowheader') });
    const allNumbersAbove = async (bottom: number): Promise<void> => {
      await expect(aside(page).locator('.recharts-surface').first()).toBeVisible();
      const count = await rows.count();
      expect(count).toBeGreaterThan(3);
      // The drill scrolls by itself where it has no room: what is cut off there is not in sight either.
      const box = (await aside(page).getByRole('tabpanel').locator('..').locator('..').boundingBox())!;
      expect(await wholeIn({ top: box.y, bottom: Math.min(bottom, box.y + box.height) }, rows)).toBe(count);
    };
    await allNumbersAbove(height);

    // With something to load and a caution: both want their room.
    await page.getByRole('slider', { name: 'Cutoff', exact: true }).press('Home');
    await page.evaluate(() => window.scrollTo(0, 0));
    // The bar's own, not the station's.
    const load = page.getByRole('link', { name: /^Load( \d|:)/ });
    await expect(load).toBeVisible();
    const band = await room(page, strip(page), load);
    expect(await wholeIn(band, page.getByRole('slider'))).toBeGreaterThanOrEqual(rails);
    await allNumbersAbove(band.bottom);
    const verdict = aside(page).getByText('Nothing protects the cells.');
    expect(await wholeIn({ top: 0, bottom: band.bottom }, verdict)).toBe(1);
  });

test.describe('on a phone', () => {
  test.use({ hasTouch: true });
  test.beforeEach(({ page }) => page.setViewportSize({ width: 390, height: 844 }));

  test(
    'the rail that a finger moves and the curve that it moves are in sight together',
    FRESH,
    async ({ page }) => {
      await openBuggy(page, 'In the hand');
      const dock = aside(page);
      await expect(page.getByRole('slider').first()).toBeInViewport();
      await strip(page).getByRole('link', { name: 'Brake', exact: true }).tap();
      await dock.getByRole('button', { name: /^Show all of/ }).tap();
      await dock.getByRole('tab', { name: 'Brake', exact: true }).tap();
      await dock.getByRole('button', { name: 'Close Brake' }).tap();

      const rail = page.getByRole('slider', { name: 'Brake strength' });
      const curve = dock.locator('[data-trace=draft]');
      const before = await curve.getAttribute('d');
      const box = (await rail.boundingBox())!;
      await page.touchscreen.tap(box.x + box.width * 0.2, box.y + box.height / 2);
      await expect(rail).toHaveAttribute('aria-valuetext', /on the ESC 85 %/);
      await expect(curve).not.toHaveAttribute('d', before!);
      await expect(dock.getByTestId('leading-numbers')).toContainText('→');

      const band = await room(page, strip(page), dock);
      expect(await wholeIn(band, rail)).toBe(1);
      await expect(dock.locator('figure')).toBeInViewport({ ratio: 1 });
      // The tabs stay, and lead on with one thumb.
      await strip(page).getByRole('link', { name: 'Pull away' }).tap();
      await expect(strip(page)).toBeInViewport();
      await expect(page.getByRole('slider', { name: 'Launch strength' })).toBeInViewport();
    },
  );

  test('the strip is drawn up by a finger, and down again', FRESH, async ({ page }) => {
    await openBuggy(page, 'Drawn up');
    const draw = async (name: RegExp, by: number): Promise<void> => {
      const box = (await aside(page).getByRole('button', { name }).boundingBox())!;
      const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
      await page.mouse.move(x, y);
      await page.mouse.down();
      await page.mouse.move(x, y + by, { steps: 6 });
      await page.mouse.up();
    };
    await draw(/^Show all of/, -80);
    await expect(aside(page).getByRole('tab', { name: 'Launch' })).toBeVisible();
    await draw(/^Close/, 80);
    await expect(aside(page).getByRole('tab', { name: 'Launch' })).toBeHidden();
  });
});

test(
  'a beginner is shown what matters, and why the rest may stay; the choice is remembered',
  FRESH,
  async ({ page }) => {
    await openNewRigOf(page, 'tenthBuggy', 'First ever', 'tune');
    await page.getByRole('button', { name: 'New to this? Fewer settings' }).click();
    await expect(page.getByRole('heading', { name: 'Set these first' })).toBeVisible();
    const rails = page.getByRole('slider');
    expect(await rails.count()).toBeLessThanOrEqual(5);
    await expect(page.getByRole('slider', { name: 'Cutoff', exact: true })).toBeVisible();
    await page.getByText(/^Leave these alone/).click();
    await expect(page.getByText('Gearing is the cooler way to more speed.')).toBeVisible();

    await page.reload();
    await expect(page.getByRole('heading', { name: 'Set these first' })).toBeVisible();
    // Whoever names a setting that is not shown gets to it all the same.
    await page.getByLabel('Quick', { exact: true }).fill('advance');
    await page.getByLabel('Quick', { exact: true }).press('Enter');
    await expect(page.getByRole('slider', { name: 'Timing' })).toBeFocused();
  },
);
