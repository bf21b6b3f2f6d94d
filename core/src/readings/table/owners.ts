/**
 * What a reading belongs to, and so how long it holds: `rider` always, `shoe` wherever these shoes
 * go, `bike` on this bike, `fit` only at the contact points it was read at.
 */
export type ReadingOwner = 'rider' | 'shoe' | 'bike' | 'fit'
