-- Orders, approvals and schedules name what was on the screen: the digest of the rehearsal, and the change it stood on.

ALTER TABLE drafts
  ADD COLUMN due_change BIGINT NULL,
  ADD COLUMN due_digest CHAR(64) NULL,
  DROP CONSTRAINT what_is_due_has_a_note_and_a_version;
-- What was scheduled before did not say what was seen: it waits for its author again.
UPDATE drafts SET due_at = NULL, due_note = NULL, due_version = NULL,
  stopped_because = 'It was scheduled before what was seen was kept with it. Look at what it would do, and schedule it again.'
  WHERE due_at IS NOT NULL;
ALTER TABLE drafts ADD CONSTRAINT what_is_due_says_all_that_was_seen CHECK (
  (due_at IS NULL) = (due_note IS NULL) AND (due_at IS NULL) = (due_version IS NULL)
  AND (due_at IS NULL) = (due_change IS NULL) AND (due_at IS NULL) = (due_digest IS NULL));

-- Approvals of before approved a version without naming what it would do: they are asked for again.
DELETE FROM draft_approvals;
ALTER TABLE draft_approvals
  ADD COLUMN seen_change BIGINT NOT NULL,
  ADD COLUMN digest CHAR(64) NOT NULL;

-- Kept keys have an end.
ALTER TABLE answered_requests
  ADD COLUMN answered_at DATETIME(6) NOT NULL DEFAULT UTC_TIMESTAMP(6),
  ADD KEY by_age (answered_at),
  DROP PRIMARY KEY,
  ADD PRIMARY KEY (account, request);
