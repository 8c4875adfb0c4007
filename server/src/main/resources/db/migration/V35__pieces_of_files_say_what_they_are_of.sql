-- What a piece of a file says, undeflated: whoever goes on with a file that somebody else has begun sees which pieces are there already.
ALTER TABLE prepared_parts ADD COLUMN digest VARCHAR(64) NULL AFTER number;
