// What starting costs, in a new process: so many components, each rendered a few times.
import { component, el, phrase, prop, slot } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';

const count = Number(process.argv[2] ?? 1000);
const Signs = Array.from({ length: count }, (_, n) =>
  component(`sign-${n}`, {
    props: { title: prop.text(), crates: prop.number().fallback(0) },
    slots: { default: slot() },
    template: ({ props, slots }) =>
      el.article(
        { class: 'sign', title: props.title },
        el.h3(props.title),
        el.p(phrase`${props.crates} crates, sign ${n}`),
        slots.default(el.i('nothing')),
      ),
  }),
);
const milliseconds: number[] = [];
for (let round = 0; round < 6; round++) {
  const start = performance.now();
  for (const Sign of Signs) renderHtml(Sign({ title: 'Gate barn', crates: round }, el.b('text')));
  milliseconds.push(performance.now() - start);
}
console.log(JSON.stringify({ count, milliseconds }));
