-- Few places stand alone, and the register of breaks asks for just those, with when each began to.
CREATE INDEX places_that_stand_alone ON place_states (stands_alone, live, place, began);
