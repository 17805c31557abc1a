import { elementClass, register } from 'zesty-lattice/elements';
import {
  BasketBox,
  BasketTotal,
  CarelessBox,
  CountedRows,
  CrateCounter,
  FormBits,
  LifeLog,
  LiveRows,
  ManyFields,
  OuterBox,
  PickList,
  RowsPage,
  SidePanel,
  WeightField,
} from './parts.js';

Object.assign(window, {
  register,
  elementClass,
  parts: {
    BasketBox,
    BasketTotal,
    CarelessBox,
    CrateCounter,
    FormBits,
    LifeLog,
    CountedRows,
    LiveRows,
    ManyFields,
    OuterBox,
    PickList,
    RowsPage,
    SidePanel,
    WeightField,
  },
});
