import { type Content, component, el, prop, slot } from 'zesty-lattice';
import { mail } from 'zesty-lattice/mail';

/** Attributes of a table that lays something out, and holds no data. */
export const layout = { role: 'presentation', cellpadding: 0, cellspacing: 0, border: 0 } as const;

/** A table of one row. */
export const row = (...cells: readonly Content[]): Content => mail.tbody(mail.tr(...cells));

/** What lists of mails show behind the subject. In the mail itself, and in its plain text, nobody sees it. */
export const MailPreheader = component('mail-preheader', {
  description: 'The line that lists of mails show behind the subject.',
  props: { text: prop.text() },
  styles: `.preheader {
    display: none;
    max-height: 0;
    overflow: hidden;
    font-size: 1px;
    line-height: 1px;
    opacity: 0;
    mso-hide: all;
  }`,
  template: ({ props }) => el.div({ class: 'preheader', 'aria-hidden': true }, props.text),
});

/** Two columns side by side, one below the other where a screen is narrow. */
export const MailColumns = component('mail-columns', {
  description: 'Two columns, which stand one below the other on a narrow screen.',
  slots: { first: slot.required(), second: slot.required() },
  styles: `.column { width: 50%; padding: 0 6px 12px; }
    @media (max-width: 480px) {
      .column { display: block; width: 100%; }
    }`,
  template: ({ slots }) =>
    mail.table(
      { ...layout, width: '100%' },
      row(
        mail.td({ class: 'column', valign: 'top' }, slots.first()),
        mail.td({ class: 'column', valign: 'top' }, slots.second()),
      ),
    ),
});
