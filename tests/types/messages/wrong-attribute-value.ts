import { el } from 'zesty-lattice';
el.button({ type: 'sumbit' }, 'Go');
