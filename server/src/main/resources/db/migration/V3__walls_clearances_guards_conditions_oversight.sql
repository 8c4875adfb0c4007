-- What limits and what oversees: the rows follow the same history as those of V1.

ALTER TABLE place_states
  ADD COLUMN ceiling VARCHAR(64) NULL,
  ADD COLUMN reserve_sharing BOOLEAN NOT NULL DEFAULT FALSE,
  ADD COLUMN no_takeaway BOOLEAN NOT NULL DEFAULT FALSE,
  ADD COLUMN is_private BOOLEAN NOT NULL DEFAULT FALSE,
  ADD COLUMN frozen BOOLEAN NOT NULL DEFAULT FALSE,
  ADD COLUMN checked_out_by VARCHAR(64) NULL,
  ADD COLUMN checked_out_at DATETIME(6) NULL,
  ADD FOREIGN KEY (ceiling) REFERENCES roles (id),
  ADD FOREIGN KEY (checked_out_by) REFERENCES people (id),
  ADD CONSTRAINT only_documents_have_conditions CHECK (
    kind = 'document' OR (NOT is_private AND NOT frozen AND checked_out_by IS NULL)),
  ADD CONSTRAINT a_private_document_has_an_owner CHECK (NOT is_private OR owner IS NOT NULL),
  ADD CONSTRAINT checked_out_at_some_time_by_somebody CHECK (checked_out_at IS NULL OR checked_out_by IS NOT NULL);

ALTER TABLE type_states ADD COLUMN guarded BOOLEAN NOT NULL DEFAULT FALSE;

CREATE TABLE type_clearances (
  type VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  position INT NOT NULL,
  subject_person VARCHAR(64) NULL,
  subject_group VARCHAR(64) NULL,
  subject_unit VARCHAR(64) NULL,
  subject_builtin ENUM('staff', 'outsiders') NULL,
  role VARCHAR(64) NOT NULL,
  holds_from DATETIME(6) NULL,
  holds_until DATETIME(6) NULL,
  PRIMARY KEY (type, began, position),
  FOREIGN KEY (type, began) REFERENCES type_states (type, began),
  FOREIGN KEY (subject_person) REFERENCES people (id),
  FOREIGN KEY (subject_group) REFERENCES person_groups (id),
  FOREIGN KEY (subject_unit) REFERENCES units (id),
  FOREIGN KEY (role) REFERENCES roles (id),
  CONSTRAINT clearance_until_is_after_from CHECK (holds_until > holds_from),
  CONSTRAINT clearance_names_one_subject CHECK (
    (subject_person IS NOT NULL) + (subject_group IS NOT NULL) + (subject_unit IS NOT NULL) + (subject_builtin IS NOT NULL) = 1)
);

CREATE TABLE oversights (
  id VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  ended BIGINT NULL,
  live TINYINT AS (IF(ended IS NULL, 1, NULL)) PERSISTENT,
  place VARCHAR(64) NOT NULL,
  subject_person VARCHAR(64) NULL,
  subject_group VARCHAR(64) NULL,
  subject_unit VARCHAR(64) NULL,
  subject_builtin ENUM('staff', 'outsiders') NULL,
  holds_from DATETIME(6) NULL,
  holds_until DATETIME(6) NULL,
  note VARCHAR(4000) NULL,
  PRIMARY KEY (id, began),
  UNIQUE KEY one_live_oversight (id, live),
  KEY by_began (began), KEY by_ended (ended),
  FOREIGN KEY (place) REFERENCES places (id),
  FOREIGN KEY (subject_person) REFERENCES people (id),
  FOREIGN KEY (subject_group) REFERENCES person_groups (id),
  FOREIGN KEY (subject_unit) REFERENCES units (id),
  FOREIGN KEY (began) REFERENCES changes (number),
  FOREIGN KEY (ended) REFERENCES changes (number),
  CONSTRAINT oversight_ends_after_it_began CHECK (ended > began),
  CONSTRAINT oversight_until_is_after_from CHECK (holds_until > holds_from),
  CONSTRAINT oversight_names_one_subject CHECK (
    (subject_person IS NOT NULL) + (subject_group IS NOT NULL) + (subject_unit IS NOT NULL) + (subject_builtin IS NOT NULL) = 1)
);

CREATE TABLE wall_states (
  wall VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  ended BIGINT NULL,
  live TINYINT AS (IF(ended IS NULL, 1, NULL)) PERSISTENT,
  name VARCHAR(300) NOT NULL,
  reason VARCHAR(4000) NULL,
  kind ENUM('screen', 'seal', 'confine', 'sides') NOT NULL,
  state ENUM('planned', 'standing', 'lifted') NOT NULL,
  holds_from DATETIME(6) NULL,
  holds_until DATETIME(6) NULL,
  PRIMARY KEY (wall, began),
  UNIQUE KEY one_live_state (wall, live),
  KEY by_began (began), KEY by_ended (ended),
  FOREIGN KEY (began) REFERENCES changes (number),
  FOREIGN KEY (ended) REFERENCES changes (number),
  CONSTRAINT wall_ends_after_it_began CHECK (ended > began),
  CONSTRAINT wall_until_is_after_from CHECK (holds_until > holds_from)
);

-- Each wall has sides, numbered from 0; a screen, a seal and a confinement have one, without a name.
CREATE TABLE wall_sides (
  wall VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  side INT NOT NULL,
  name VARCHAR(300) NULL,
  PRIMARY KEY (wall, began, side),
  FOREIGN KEY (wall, began) REFERENCES wall_states (wall, began)
);

CREATE TABLE wall_subjects (
  wall VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  side INT NOT NULL,
  position INT NOT NULL,
  subject_person VARCHAR(64) NULL,
  subject_group VARCHAR(64) NULL,
  subject_unit VARCHAR(64) NULL,
  subject_builtin ENUM('staff', 'outsiders') NULL,
  PRIMARY KEY (wall, began, side, position),
  FOREIGN KEY (wall, began, side) REFERENCES wall_sides (wall, began, side),
  FOREIGN KEY (subject_person) REFERENCES people (id),
  FOREIGN KEY (subject_group) REFERENCES person_groups (id),
  FOREIGN KEY (subject_unit) REFERENCES units (id),
  CONSTRAINT wall_names_one_subject_a_row CHECK (
    (subject_person IS NOT NULL) + (subject_group IS NOT NULL) + (subject_unit IS NOT NULL) + (subject_builtin IS NOT NULL) = 1)
);

-- One criterion value a row: a place, a type, or a label's value.
CREATE TABLE wall_scopes (
  wall VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  side INT NOT NULL,
  position INT NOT NULL,
  place VARCHAR(64) NULL,
  type VARCHAR(64) NULL,
  label VARCHAR(100) NULL,
  value VARCHAR(1000) NULL,
  PRIMARY KEY (wall, began, side, position),
  FOREIGN KEY (wall, began, side) REFERENCES wall_sides (wall, began, side),
  FOREIGN KEY (place) REFERENCES places (id),
  FOREIGN KEY (type) REFERENCES document_types (id),
  CONSTRAINT scope_names_one_criterion_a_row CHECK ((place IS NOT NULL) + (type IS NOT NULL) + (label IS NOT NULL) = 1),
  CONSTRAINT scope_label_has_a_value CHECK ((label IS NOT NULL) = (value IS NOT NULL AND value <> ''))
);

CREATE TABLE wall_exceptions (
  wall VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  position INT NOT NULL,
  subject_person VARCHAR(64) NULL,
  subject_group VARCHAR(64) NULL,
  subject_unit VARCHAR(64) NULL,
  subject_builtin ENUM('staff', 'outsiders') NULL,
  holds_until DATETIME(6) NULL,
  PRIMARY KEY (wall, began, position),
  FOREIGN KEY (wall, began) REFERENCES wall_states (wall, began),
  FOREIGN KEY (subject_person) REFERENCES people (id),
  FOREIGN KEY (subject_group) REFERENCES person_groups (id),
  FOREIGN KEY (subject_unit) REFERENCES units (id),
  CONSTRAINT exception_names_one_subject CHECK (
    (subject_person IS NOT NULL) + (subject_group IS NOT NULL) + (subject_unit IS NOT NULL) + (subject_builtin IS NOT NULL) = 1)
);

ALTER TABLE duties MODIFY duty ENUM('access', 'audit', 'walls') NOT NULL;
