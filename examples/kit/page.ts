// The page as a server writes it: all of it is there, and can be typed into, before its script has run.
import { component, el } from 'zesty-lattice';
import { renderPage } from 'zesty-lattice/html';
import { DayPlanner } from './day-planner.js';

const PlannerPage = component('planner-page', {
  description: 'The planner of the open day.',
  template: () =>
    el.main(
      { style: { 'max-width': '60rem', margin: '0 auto', padding: '2rem 1rem 6rem' } },
      el.h1('Plan the open day'),
      DayPlanner(),
    ),
});

export const written = (options: { readonly script: string; readonly sheet: string }): string =>
  renderPage(PlannerPage(), {
    title: 'Plan the open day',
    description: 'Groves, harvest and helpers of the open day of Ninefold Orchard.',
    lang: 'en',
    form: 'elements',
    head: [
      el.link({ rel: 'stylesheet', href: options.sheet }),
      el.script({ type: 'module', src: options.script }),
    ],
  });
