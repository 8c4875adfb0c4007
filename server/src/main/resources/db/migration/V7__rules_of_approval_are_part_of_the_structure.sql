-- Which drafts a second person must approve is drafted, journalled and undone like everything else.

CREATE TABLE approvals (id VARCHAR(64) NOT NULL PRIMARY KEY);

CREATE TABLE approval_states (
  approval VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  ended BIGINT NULL,
  live TINYINT AS (IF(ended IS NULL, 1, NULL)) PERSISTENT,
  name VARCHAR(300) NOT NULL,
  outsiders_gain BOOLEAN NOT NULL,
  duty ENUM('access', 'walls', 'people', 'types', 'oversight') NOT NULL,
  PRIMARY KEY (approval, began),
  UNIQUE KEY one_live_state (approval, live),
  KEY by_began (began), KEY by_ended (ended),
  FOREIGN KEY (approval) REFERENCES approvals (id),
  FOREIGN KEY (began) REFERENCES changes (number),
  FOREIGN KEY (ended) REFERENCES changes (number),
  CONSTRAINT approval_ends_after_it_began CHECK (ended > began)
);

-- One criterion a row: a kind of change, a duty, or a place.
CREATE TABLE approval_criteria (
  approval VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  position INT NOT NULL,
  kind VARCHAR(40) NULL,
  duty ENUM('access', 'walls', 'people', 'types', 'oversight') NULL,
  place VARCHAR(64) NULL,
  PRIMARY KEY (approval, began, position),
  FOREIGN KEY (approval, began) REFERENCES approval_states (approval, began),
  FOREIGN KEY (place) REFERENCES places (id),
  CONSTRAINT approval_names_one_criterion_a_row CHECK ((kind IS NOT NULL) + (duty IS NOT NULL) + (place IS NOT NULL) = 1)
);

-- Rules that were set until now go on, as a change of their own.
INSERT INTO changes (number, author, author_name, made_at, note, origin, content)
  SELECT number + 1, 'set-up', 'Set-up', UTC_TIMESTAMP(6), 'The rules of approval became part of the structure.', 'import', '[]'
  FROM head WHERE EXISTS (SELECT 1 FROM approval_rules);
UPDATE head SET number = number + 1 WHERE EXISTS (SELECT 1 FROM approval_rules);
INSERT INTO approvals (id) SELECT CONCAT('ap-', id) FROM approval_rules;
INSERT INTO approval_states (approval, began, name, outsiders_gain, duty)
  SELECT CONCAT('ap-', r.id), h.number, IF(r.duty IS NULL, 'Changes in a library', CONCAT('Changes that take the duty ', r.duty)), FALSE, COALESCE(r.duty, 'access')
  FROM approval_rules r, head h;
INSERT INTO approval_criteria (approval, began, position, duty, place)
  SELECT CONCAT('ap-', r.id), h.number, 0, r.duty, r.library FROM approval_rules r, head h;
INSERT INTO change_touches (change_number, thing) SELECT h.number, CONCAT('approval:ap-', r.id) FROM approval_rules r, head h;
DROP TABLE approval_rules;
