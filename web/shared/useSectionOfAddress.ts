import { useEffect } from 'react';
import { useLocation } from 'react-router';

/** How long sections above one may still arrive and push it down, ms. */
const SETTLES = 2000;

/**
 * Leads to the section that the address names (`#staff`) once the page is there, and stays with it while what stands
 * above it arrives; a hand that scrolls or types ends that.
 */
export function useSectionOfAddress(here: boolean): void {
  const { hash } = useLocation();
  useEffect(() => {
    if (!here || !hash) return;
    const lead = () => document.getElementById(hash.slice(1))?.scrollIntoView();
    const watch = new ResizeObserver(lead);
    const main = document.querySelector('main');
    lead();
    if (main) for (const part of main.children) watch.observe(part);
    const end = () => watch.disconnect();
    const by = ['wheel', 'touchmove', 'keydown', 'pointerdown'] as const;
    for (const what of by) window.addEventListener(what, end, { once: true, passive: true });
    const late = setTimeout(end, SETTLES);
    return () => {
      end();
      clearTimeout(late);
      for (const what of by) window.removeEventListener(what, end);
    };
  }, [here, hash]);
}
