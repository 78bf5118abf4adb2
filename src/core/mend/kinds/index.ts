import type { FaultKind } from '../fault'
import type { FaultKindName } from '../kind-names'
import { openPlus } from './open-plus'
import { openMinus } from './open-minus'
import { openData } from './open-data'
import { openSignal } from './open-signal'
import { poorJoint } from './poor-joint'
import { brokenStrand } from './broken-strand'
import { bridgePower } from './bridge-power'
import { bridgePlusData } from './bridge-plus-data'
import { bridgeDataMinus } from './bridge-data-minus'
import { bridgeInOut } from './bridge-in-out'
import { againstArrow } from './against-arrow'
import { swappedPower } from './swapped-power'
import { plugReversed } from './plug-reversed'
import { noCommon } from './no-common'
import { lowLevel } from './low-level'
import { longData } from './long-data'
import { noResistor } from './no-resistor'
import { interference } from './interference'
import { inputBurnt } from './input-burnt'
import { bufferDead } from './buffer-dead'
import { deadLight } from './dead-light'
import { deadData } from './dead-data'
import { deadPixel } from './dead-pixel'
import { offMark } from './off-mark'
import { damagedStrip } from './damaged-strip'
import { moisture } from './moisture'
import { colourOrder } from './colour-order'
import { pixelCount } from './pixel-count'
import { pixelKind } from './pixel-kind'
import { wrongPin } from './wrong-pin'
import { programStopped } from './program-stopped'
import { timing } from './timing'
import { sensorOpen } from './sensor-open'
import { supplySmall } from './supply-small'
import { supplyLow } from './supply-low'
import { supplyTrips } from './supply-trips'
import { wrongSupply } from './wrong-supply'
import { regulatorHot } from './regulator-hot'
import { batterySag } from './battery-sag'
import { bankAsleep } from './bank-asleep'
import { thinUsb } from './thin-usb'
import { brownOut } from './brown-out'
import { fuseOpen } from './fuse-open'
import { backupOpen } from './backup-open'
import { noCapacitor } from './no-capacitor'
import { capacitorReversed } from './capacitor-reversed'

/** Every kind of fault, by its name. */
export const faultKinds: Readonly<Record<FaultKindName, FaultKind>> = {
  'open-plus': openPlus,
  'open-minus': openMinus,
  'open-data': openData,
  'open-signal': openSignal,
  'poor-joint': poorJoint,
  'broken-strand': brokenStrand,
  'bridge-power': bridgePower,
  'bridge-plus-data': bridgePlusData,
  'bridge-data-minus': bridgeDataMinus,
  'bridge-in-out': bridgeInOut,
  'against-arrow': againstArrow,
  'swapped-power': swappedPower,
  'plug-reversed': plugReversed,
  'no-common': noCommon,
  'low-level': lowLevel,
  'long-data': longData,
  'no-resistor': noResistor,
  interference: interference,
  'input-burnt': inputBurnt,
  'buffer-dead': bufferDead,
  'dead-light': deadLight,
  'dead-data': deadData,
  'dead-pixel': deadPixel,
  'off-mark': offMark,
  'damaged-strip': damagedStrip,
  moisture: moisture,
  'colour-order': colourOrder,
  'pixel-count': pixelCount,
  'pixel-kind': pixelKind,
  'wrong-pin': wrongPin,
  'program-stopped': programStopped,
  timing: timing,
  'sensor-open': sensorOpen,
  'supply-small': supplySmall,
  'supply-low': supplyLow,
  'supply-trips': supplyTrips,
  'wrong-supply': wrongSupply,
  'regulator-hot': regulatorHot,
  'battery-sag': batterySag,
  'bank-asleep': bankAsleep,
  'thin-usb': thinUsb,
  'brown-out': brownOut,
  'fuse-open': fuseOpen,
  'no-capacitor': noCapacitor,
  'capacitor-reversed': capacitorReversed,
  'backup-open': backupOpen,
}
