/** Short names for the server's shapes; the shapes themselves are generated into schema.d.ts. */
import type { components } from './schema.gen'

type Schemas = components['schemas']

export type Session = Schemas['SessionOut']
export type Units = Session['units']
export type Theme = Session['theme']

export type ThingDoc = Schemas['ThingOut']
export type Thing = ThingDoc['thing']
export type Kind = Thing['kind']
export type Size = Thing['size']
export type Source = Thing['mass_source']

export type CarrierDoc = Schemas['CarrierOut']
export type Carrier = Schemas['Carrier']
export type PieceRule = Schemas['PieceRule']
export type PieceKind = PieceRule['piece']

export type TripDoc = Schemas['TripOut']
export type Trip = Schemas['Trip']
export type Want = Schemas['Want']
export type Person = Schemas['Person']
export type Day = Schemas['Day']
export type Leg = Schemas['Leg']

export type Bench = Schemas['Bench']
export type KitState = Schemas['KitState']
export type KitName = Schemas['KitName']
export type Kit = Schemas['Kit']
export type Entry = Schemas['Entry']
export type Place = Entry['place']
export type Edit = Schemas['Edits']['edits'][number]

export type Assessment = Schemas['Assessment']
export type Finding = Schemas['Finding']
export type Cure = Schemas['Cure']
export type WantCover = Schemas['WantCover']
export type ReachRow = Schemas['ReachRow']
export type ReachBar = Schemas['ReachBar']
export type SetUpName = Schemas['SetUpName']
export type Check = Schemas['Check']
