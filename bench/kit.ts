import { register } from 'zesty-lattice/elements';
import { CrateBasket } from '../examples/open-day/components/crate-basket.js';
import { CrateCounter } from '../examples/open-day/components/crate-counter.js';
import { HelperForm } from '../examples/open-day/components/helper-form.js';
import { NotePanel } from '../examples/open-day/components/note-panel.js';
import { WeightField } from '../examples/open-day/components/weight-field.js';
import { CitrusSlice } from '../examples/orchard/components/citrus-slice.js';
import { DialogBox } from '../examples/orchard/components/dialog-box.js';
import { DisclosurePanel } from '../examples/orchard/components/disclosure-panel.js';
import { GroveLog } from '../examples/orchard/components/grove-log.js';
import { HeroBanner } from '../examples/orchard/components/hero-banner.js';
import { NoticeBox } from '../examples/orchard/components/notice-box.js';
import { PriceTag } from '../examples/orchard/components/price-tag.js';
import { SeasonTag } from '../examples/orchard/components/season-tag.js';
import { SectionBlock } from '../examples/orchard/components/section-block.js';
import { ShiftList } from '../examples/orchard/components/shift-list.js';
import { SideCard } from '../examples/orchard/components/side-card.js';
import { SiteNav } from '../examples/orchard/components/site-nav.js';
import { TastingTable } from '../examples/orchard/components/tasting-table.js';
import { VarietyList } from '../examples/orchard/components/variety-list.js';
import { CrateTable } from './crate-table.js';

/** Twenty elements together, most of them the examples', with rules, rows, fields, events, slots and uses of each other. */
register(
  CrateBasket,
  CrateCounter,
  HelperForm,
  NotePanel,
  WeightField,
  CitrusSlice,
  DialogBox,
  DisclosurePanel,
  GroveLog,
  HeroBanner,
  NoticeBox,
  PriceTag,
  SeasonTag,
  SectionBlock,
  ShiftList,
  SideCard,
  SiteNav,
  TastingTable,
  VarietyList,
  CrateTable,
);
