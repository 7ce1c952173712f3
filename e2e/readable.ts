import type AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/** What reaches over the edge, outermost first; empty where nothing does. */
export const overhang = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const edge = document.documentElement.clientWidth;
    if (document.documentElement.scrollWidth <= edge) return [];
    const isOver = (element: Element): boolean => element.getBoundingClientRect().right > edge + 0.5;
    const scrolls = (element: Element | null): boolean =>
      element !== null &&
      element !== document.body &&
      (getComputedStyle(element).overflowX !== 'visible' || scrolls(element.parentElement));
    return [...document.querySelectorAll('body *')]
      .filter((element) => isOver(element) && !scrolls(element.parentElement) && ![...element.children].some((child) => isOver(child)))
      .slice(0, 4)
      .map((element) => `${element.parentElement?.className ?? ''} > ${element.tagName.toLowerCase()}.${element.className}`);
  });

/** What axe finds, but what it calls minor. */
export const faultsOf = ({ violations }: Awaited<ReturnType<AxeBuilder['analyze']>>): string[] =>
  violations
    .filter(({ impact }) => impact !== 'minor')
    .map(
      ({ id, nodes }) =>
        `${id}: ${nodes
          .slice(0, 3)
          .map((node) => node.target.join(' '))
          .join('; ')}`,
    );
