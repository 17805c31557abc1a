import { elementClass, register } from 'zesty-lattice/elements';
import { registerCareless } from './careless-ahead.js';
import {
  BasketBox,
  BasketTotal,
  CountedRows,
  CrateCounter,
  CratePart,
  CrateParts,
  FormBits,
  LifeLog,
  LiveRows,
  ManyFields,
  OuterBox,
  PickList,
  RowsPage,
  SidePanel,
  SomeRows,
  WeightField,
} from './parts.js';

// The same components as a build plans them: what is registered is written out, and followed from here.
Object.assign(window, {
  register: () => {
    registerCareless();
    register(
      CrateCounter,
      SidePanel,
      PickList,
      LifeLog,
      FormBits,
      OuterBox,
      WeightField,
      BasketBox,
      BasketTotal,
      CountedRows,
      LiveRows,
      ManyFields,
      RowsPage,
      SomeRows,
      CratePart,
      CrateParts,
    );
  },
  elementClass: () => elementClass(OuterBox),
  parts: {},
});
