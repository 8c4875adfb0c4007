-- What people let others in by, what places say about it, whom sharing proposes, and what no one person may hold together.

-- Rounds also ask about passes.
ALTER TABLE round_items MODIFY kind ENUM('membership', 'grant', 'oversight', 'exception', 'clearance', 'duty', 'access', 'pass') NOT NULL;

CREATE TABLE passes (id VARCHAR(64) NOT NULL PRIMARY KEY);

CREATE TABLE pass_states (
  pass VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  ended BIGINT NULL,
  live TINYINT AS (IF(ended IS NULL, 1, NULL)) PERSISTENT,
  place VARCHAR(64) NOT NULL,
  role VARCHAR(64) NOT NULL,
  maker VARCHAR(64) NOT NULL,
  holds_from DATETIME(6) NULL,
  holds_until DATETIME(6) NULL,
  uses INT NULL,
  note VARCHAR(4000) NULL,
  PRIMARY KEY (pass, began),
  UNIQUE KEY one_live_state (pass, live),
  KEY by_began (began), KEY by_ended (ended),
  FOREIGN KEY (pass) REFERENCES passes (id),
  FOREIGN KEY (place) REFERENCES places (id),
  FOREIGN KEY (role) REFERENCES roles (id),
  FOREIGN KEY (maker) REFERENCES people (id),
  FOREIGN KEY (began) REFERENCES changes (number),
  FOREIGN KEY (ended) REFERENCES changes (number),
  CONSTRAINT pass_ends_after_it_began CHECK (ended > began),
  CONSTRAINT pass_until_is_after_from CHECK (holds_until > holds_from),
  CONSTRAINT pass_is_opened_by_somebody CHECK (uses >= 1)
);

CREATE TABLE pass_audiences (
  pass VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  position INT NOT NULL,
  subject_person VARCHAR(64) NULL,
  subject_group VARCHAR(64) NULL,
  subject_unit VARCHAR(64) NULL,
  subject_builtin ENUM('staff') NULL,
  PRIMARY KEY (pass, began, position),
  FOREIGN KEY (pass, began) REFERENCES pass_states (pass, began),
  FOREIGN KEY (subject_person) REFERENCES people (id),
  FOREIGN KEY (subject_group) REFERENCES person_groups (id),
  FOREIGN KEY (subject_unit) REFERENCES units (id),
  CONSTRAINT pass_audience_names_one_subject CHECK (
    (subject_person IS NOT NULL) + (subject_group IS NOT NULL) + (subject_unit IS NOT NULL) + (subject_builtin IS NOT NULL) = 1)
);

ALTER TABLE grants
  ADD COLUMN shared_by VARCHAR(64) NULL,
  ADD COLUMN pass VARCHAR(64) NULL,
  ADD CONSTRAINT grant_is_shared_by_somebody FOREIGN KEY (shared_by) REFERENCES people (id),
  ADD CONSTRAINT grant_is_made_through_a_pass FOREIGN KEY (pass) REFERENCES passes (id);

CREATE TABLE sharing_rules (
  place VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  ended BIGINT NULL,
  live TINYINT AS (IF(ended IS NULL, 1, NULL)) PERSISTENT,
  who ENUM('nobody', 'keepers', 'sharers') NOT NULL,
  outsiders BOOLEAN NOT NULL,
  role VARCHAR(64) NULL,
  days INT NULL,
  PRIMARY KEY (place, began),
  UNIQUE KEY one_live_state (place, live),
  KEY by_began (began), KEY by_ended (ended),
  FOREIGN KEY (place) REFERENCES places (id),
  FOREIGN KEY (role) REFERENCES roles (id),
  FOREIGN KEY (began) REFERENCES changes (number),
  FOREIGN KEY (ended) REFERENCES changes (number),
  CONSTRAINT sharing_rule_ends_after_it_began CHECK (ended > began),
  CONSTRAINT sharing_lasts_a_day_or_more CHECK (days BETWEEN 1 AND 3650)
);

CREATE TABLE shortlists (
  unit VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  ended BIGINT NULL,
  live TINYINT AS (IF(ended IS NULL, 1, NULL)) PERSISTENT,
  PRIMARY KEY (unit, began),
  UNIQUE KEY one_live_state (unit, live),
  KEY by_began (began), KEY by_ended (ended),
  FOREIGN KEY (unit) REFERENCES units (id),
  FOREIGN KEY (began) REFERENCES changes (number),
  FOREIGN KEY (ended) REFERENCES changes (number),
  CONSTRAINT shortlist_ends_after_it_began CHECK (ended > began)
);

CREATE TABLE shortlist_audiences (
  unit VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  position INT NOT NULL,
  subject_person VARCHAR(64) NULL,
  subject_group VARCHAR(64) NULL,
  subject_unit VARCHAR(64) NULL,
  subject_builtin ENUM('staff') NULL,
  name VARCHAR(300) NOT NULL,
  text VARCHAR(4000) NULL,
  PRIMARY KEY (unit, began, position),
  FOREIGN KEY (unit, began) REFERENCES shortlists (unit, began),
  FOREIGN KEY (subject_group) REFERENCES person_groups (id),
  FOREIGN KEY (subject_unit) REFERENCES units (id),
  CONSTRAINT shortlist_proposes_more_than_one_person CHECK (subject_person IS NULL),
  CONSTRAINT shortlist_names_one_subject CHECK ((subject_group IS NOT NULL) + (subject_unit IS NOT NULL) + (subject_builtin IS NOT NULL) = 1)
);

CREATE TABLE separations (id VARCHAR(64) NOT NULL PRIMARY KEY);

CREATE TABLE separation_states (
  separation VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  ended BIGINT NULL,
  live TINYINT AS (IF(ended IS NULL, 1, NULL)) PERSISTENT,
  name VARCHAR(300) NOT NULL,
  reason VARCHAR(4000) NULL,
  needs_approval BOOLEAN NOT NULL,
  held_within ENUM('place', 'anywhere') NOT NULL,
  PRIMARY KEY (separation, began),
  UNIQUE KEY one_live_state (separation, live),
  KEY by_began (began), KEY by_ended (ended),
  FOREIGN KEY (separation) REFERENCES separations (id),
  FOREIGN KEY (began) REFERENCES changes (number),
  FOREIGN KEY (ended) REFERENCES changes (number),
  CONSTRAINT separation_ends_after_it_began CHECK (ended > began)
);

-- What is named by a side, one thing a row.
CREATE TABLE separation_sides (
  separation VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  side INT NOT NULL,
  position INT NOT NULL,
  role VARCHAR(64) NULL,
  held_right ENUM('find', 'read', 'copy', 'add', 'describe', 'revise', 'delete', 'share', 'govern') NULL,
  person_group VARCHAR(64) NULL,
  duty ENUM('access', 'people', 'types', 'walls', 'oversight', 'rounds', 'audit', 'system') NULL,
  type VARCHAR(64) NULL,
  PRIMARY KEY (separation, began, side, position),
  FOREIGN KEY (separation, began) REFERENCES separation_states (separation, began),
  FOREIGN KEY (role) REFERENCES roles (id),
  FOREIGN KEY (person_group) REFERENCES person_groups (id),
  FOREIGN KEY (type) REFERENCES document_types (id),
  CONSTRAINT separation_side_names_one_thing_a_row CHECK (
    (role IS NOT NULL) + (held_right IS NOT NULL) + (person_group IS NOT NULL) + (duty IS NOT NULL) + (type IS NOT NULL) = 1)
);
