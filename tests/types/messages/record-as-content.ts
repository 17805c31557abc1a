import { el, type Expr } from 'zesty-lattice';
declare const variety: Expr<{ readonly name: string }>;
el.p('Today: ', variety);
