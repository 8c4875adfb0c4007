-- From when on a right or a duty counts as unused, and a draft as forgotten.
ALTER TABLE finding_limits
  ADD COLUMN unused_days INT NOT NULL DEFAULT 180,
  ADD COLUMN draft_days INT NOT NULL DEFAULT 30,
  ADD CONSTRAINT sensible_days CHECK (unused_days BETWEEN 7 AND 1000 AND draft_days BETWEEN 1 AND 365);

-- Since when documents have been private or frozen is asked of all of them at once.
CREATE INDEX private_ones ON place_states (is_private, live);
CREATE INDEX frozen_ones ON place_states (frozen, live);
