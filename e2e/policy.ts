import type { Page } from '@playwright/test';

/** What the content security policy of a page forbids while it is used, from now on. */
export async function forbiddenOn(page: Page): Promise<readonly string[]> {
  const forbidden: string[] = [];
  await page.exposeFunction('noteForbidden', (text: string) => forbidden.push(text));
  await page.addInitScript(() => {
    document.addEventListener('securitypolicyviolation', ({ effectiveDirective, blockedURI, sample }) => {
      // Zod tries once whether it may write programs, and does without.
      if (blockedURI === 'eval') return;
      const { noteForbidden } = window as unknown as { noteForbidden: (text: string) => void };
      noteForbidden(`${effectiveDirective}: ${blockedURI} ${sample}`);
    });
  });
  return forbidden;
}
