-- Every state row carries the change that began it and, once it is over, the change that ended it:
-- the structure as of any change n is the rows with began <= n and (ended is null or ended > n).
-- `live` is 1 for the current row and null for past ones, so that a unique key can allow one current
-- row and any number of past ones.

CREATE TABLE changes (
  number BIGINT NOT NULL PRIMARY KEY,
  author VARCHAR(100) NOT NULL,
  author_name VARCHAR(300) NOT NULL,
  made_at DATETIME(6) NOT NULL,
  note VARCHAR(2000) NOT NULL,
  origin ENUM('draft', 'import') NOT NULL,
  content JSON NOT NULL CHECK (JSON_VALID(content)),
  CONSTRAINT change_numbers_start_at_one CHECK (number > 0)
);

CREATE TABLE head (
  id TINYINT NOT NULL PRIMARY KEY,
  number BIGINT NOT NULL,
  CONSTRAINT one_head CHECK (id = 1)
);
INSERT INTO head (id, number) VALUES (1, 0);

-- What a change touched, for finding drafts that clash with it.
CREATE TABLE change_touches (
  change_number BIGINT NOT NULL,
  thing VARCHAR(100) NOT NULL,
  PRIMARY KEY (thing, change_number),
  FOREIGN KEY (change_number) REFERENCES changes (number)
);

CREATE TABLE units (id VARCHAR(64) NOT NULL PRIMARY KEY);
CREATE TABLE people (id VARCHAR(64) NOT NULL PRIMARY KEY);
CREATE TABLE person_groups (id VARCHAR(64) NOT NULL PRIMARY KEY);
CREATE TABLE roles (id VARCHAR(64) NOT NULL PRIMARY KEY);
CREATE TABLE document_types (id VARCHAR(64) NOT NULL PRIMARY KEY);
CREATE TABLE places (id VARCHAR(64) NOT NULL PRIMARY KEY);

CREATE TABLE unit_states (
  unit VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  ended BIGINT NULL,
  live TINYINT AS (IF(ended IS NULL, 1, NULL)) PERSISTENT,
  name VARCHAR(300) NOT NULL,
  parent VARCHAR(64) NULL,
  PRIMARY KEY (unit, began),
  UNIQUE KEY one_live_state (unit, live),
  KEY by_began (began), KEY by_ended (ended),
  FOREIGN KEY (unit) REFERENCES units (id),
  FOREIGN KEY (parent) REFERENCES units (id),
  FOREIGN KEY (began) REFERENCES changes (number),
  FOREIGN KEY (ended) REFERENCES changes (number),
  CONSTRAINT unit_ends_after_it_began CHECK (ended > began),
  CONSTRAINT unit_is_not_its_own_parent CHECK (parent <> unit)
);

CREATE TABLE person_states (
  person VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  ended BIGINT NULL,
  live TINYINT AS (IF(ended IS NULL, 1, NULL)) PERSISTENT,
  name VARCHAR(300) NOT NULL,
  login VARCHAR(4000) NULL,
  email VARCHAR(4000) NULL,
  external BOOLEAN NOT NULL,
  active BOOLEAN NOT NULL,
  unit VARCHAR(64) NULL,
  PRIMARY KEY (person, began),
  UNIQUE KEY one_live_state (person, live),
  KEY by_began (began), KEY by_ended (ended),
  FOREIGN KEY (person) REFERENCES people (id),
  FOREIGN KEY (unit) REFERENCES units (id),
  FOREIGN KEY (began) REFERENCES changes (number),
  FOREIGN KEY (ended) REFERENCES changes (number),
  CONSTRAINT person_ends_after_it_began CHECK (ended > began)
);

CREATE TABLE group_states (
  group_id VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  ended BIGINT NULL,
  live TINYINT AS (IF(ended IS NULL, 1, NULL)) PERSISTENT,
  name VARCHAR(300) NOT NULL,
  description VARCHAR(4000) NULL,
  PRIMARY KEY (group_id, began),
  UNIQUE KEY one_live_state (group_id, live),
  KEY by_began (began), KEY by_ended (ended),
  FOREIGN KEY (group_id) REFERENCES person_groups (id),
  FOREIGN KEY (began) REFERENCES changes (number),
  FOREIGN KEY (ended) REFERENCES changes (number),
  CONSTRAINT group_ends_after_it_began CHECK (ended > began)
);

CREATE TABLE memberships (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  group_id VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  ended BIGINT NULL,
  member_person VARCHAR(64) NULL,
  member_group VARCHAR(64) NULL,
  holds_from DATETIME(6) NULL,
  holds_until DATETIME(6) NULL,
  KEY by_group (group_id), KEY by_began (began), KEY by_ended (ended),
  FOREIGN KEY (group_id) REFERENCES person_groups (id),
  FOREIGN KEY (member_person) REFERENCES people (id),
  FOREIGN KEY (member_group) REFERENCES person_groups (id),
  FOREIGN KEY (began) REFERENCES changes (number),
  FOREIGN KEY (ended) REFERENCES changes (number),
  CONSTRAINT membership_ends_after_it_began CHECK (ended > began),
  CONSTRAINT membership_names_one_member CHECK ((member_person IS NULL) <> (member_group IS NULL)),
  CONSTRAINT membership_until_is_after_from CHECK (holds_until > holds_from),
  CONSTRAINT group_is_not_its_own_member CHECK (member_group <> group_id)
);

CREATE TABLE role_states (
  role VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  ended BIGINT NULL,
  live TINYINT AS (IF(ended IS NULL, 1, NULL)) PERSISTENT,
  name VARCHAR(300) NOT NULL,
  rights SET('find', 'read', 'copy', 'add', 'describe', 'revise', 'delete', 'share', 'govern') NOT NULL,
  PRIMARY KEY (role, began),
  UNIQUE KEY one_live_state (role, live),
  KEY by_began (began), KEY by_ended (ended),
  FOREIGN KEY (role) REFERENCES roles (id),
  FOREIGN KEY (began) REFERENCES changes (number),
  FOREIGN KEY (ended) REFERENCES changes (number),
  CONSTRAINT role_ends_after_it_began CHECK (ended > began)
);

CREATE TABLE type_states (
  type VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  ended BIGINT NULL,
  live TINYINT AS (IF(ended IS NULL, 1, NULL)) PERSISTENT,
  name VARCHAR(300) NOT NULL,
  fields JSON NOT NULL CHECK (JSON_VALID(fields)),
  PRIMARY KEY (type, began),
  UNIQUE KEY one_live_state (type, live),
  KEY by_began (began), KEY by_ended (ended),
  FOREIGN KEY (type) REFERENCES document_types (id),
  FOREIGN KEY (began) REFERENCES changes (number),
  FOREIGN KEY (ended) REFERENCES changes (number),
  CONSTRAINT type_ends_after_it_began CHECK (ended > began)
);

CREATE TABLE place_states (
  place VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  ended BIGINT NULL,
  live TINYINT AS (IF(ended IS NULL, 1, NULL)) PERSISTENT,
  kind ENUM('repository', 'library', 'folder', 'document', 'link') NOT NULL,
  parent VARCHAR(64) NULL,
  name VARCHAR(300) NOT NULL,
  stands_alone BOOLEAN NOT NULL,
  type VARCHAR(64) NULL,
  owner VARCHAR(64) NULL,
  target VARCHAR(64) NULL,
  PRIMARY KEY (place, began),
  UNIQUE KEY one_live_state (place, live),
  KEY by_began (began), KEY by_ended (ended),
  FOREIGN KEY (place) REFERENCES places (id),
  FOREIGN KEY (parent) REFERENCES places (id),
  FOREIGN KEY (type) REFERENCES document_types (id),
  FOREIGN KEY (owner) REFERENCES people (id),
  FOREIGN KEY (target) REFERENCES places (id),
  FOREIGN KEY (began) REFERENCES changes (number),
  FOREIGN KEY (ended) REFERENCES changes (number),
  CONSTRAINT place_ends_after_it_began CHECK (ended > began),
  CONSTRAINT only_the_repository_has_no_parent CHECK ((kind = 'repository') = (parent IS NULL)),
  CONSTRAINT the_repository_stands_alone CHECK (kind <> 'repository' OR stands_alone),
  CONSTRAINT only_documents_have_type_and_owner CHECK (kind = 'document' OR (type IS NULL AND owner IS NULL)),
  CONSTRAINT a_link_and_only_a_link_has_a_target CHECK ((kind = 'link') = (target IS NOT NULL))
);

CREATE TABLE place_labels (
  place VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  label VARCHAR(100) NOT NULL,
  value VARCHAR(1000) NOT NULL,
  PRIMARY KEY (place, began, label),
  FOREIGN KEY (place, began) REFERENCES place_states (place, began),
  CONSTRAINT an_empty_text_is_no_value CHECK (value <> '')
);

CREATE TABLE grants (
  id VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  ended BIGINT NULL,
  live TINYINT AS (IF(ended IS NULL, 1, NULL)) PERSISTENT,
  place VARCHAR(64) NOT NULL,
  subject_person VARCHAR(64) NULL,
  subject_group VARCHAR(64) NULL,
  subject_unit VARCHAR(64) NULL,
  subject_builtin ENUM('staff', 'outsiders') NULL,
  role VARCHAR(64) NOT NULL,
  holds_from DATETIME(6) NULL,
  holds_until DATETIME(6) NULL,
  note VARCHAR(4000) NULL,
  PRIMARY KEY (id, began),
  UNIQUE KEY one_live_grant (id, live),
  KEY by_began (began), KEY by_ended (ended),
  FOREIGN KEY (place) REFERENCES places (id),
  FOREIGN KEY (subject_person) REFERENCES people (id),
  FOREIGN KEY (subject_group) REFERENCES person_groups (id),
  FOREIGN KEY (subject_unit) REFERENCES units (id),
  FOREIGN KEY (role) REFERENCES roles (id),
  FOREIGN KEY (began) REFERENCES changes (number),
  FOREIGN KEY (ended) REFERENCES changes (number),
  CONSTRAINT grant_ends_after_it_began CHECK (ended > began),
  CONSTRAINT grant_until_is_after_from CHECK (holds_until > holds_from),
  CONSTRAINT grant_names_one_subject CHECK (
    (subject_person IS NOT NULL) + (subject_group IS NOT NULL) + (subject_unit IS NOT NULL) + (subject_builtin IS NOT NULL) = 1)
);

CREATE TABLE grant_types (
  grant_id VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  type VARCHAR(64) NOT NULL,
  PRIMARY KEY (grant_id, began, type),
  FOREIGN KEY (grant_id, began) REFERENCES grants (id, began),
  FOREIGN KEY (type) REFERENCES document_types (id)
);

CREATE TABLE withholdings (
  id VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  ended BIGINT NULL,
  live TINYINT AS (IF(ended IS NULL, 1, NULL)) PERSISTENT,
  place VARCHAR(64) NOT NULL,
  subject_person VARCHAR(64) NULL,
  subject_group VARCHAR(64) NULL,
  subject_unit VARCHAR(64) NULL,
  subject_builtin ENUM('staff', 'outsiders') NULL,
  rights SET('find', 'read', 'copy', 'add', 'describe', 'revise', 'delete', 'share', 'govern') NOT NULL,
  holds_from DATETIME(6) NULL,
  holds_until DATETIME(6) NULL,
  note VARCHAR(4000) NULL,
  PRIMARY KEY (id, began),
  UNIQUE KEY one_live_withholding (id, live),
  KEY by_began (began), KEY by_ended (ended),
  FOREIGN KEY (place) REFERENCES places (id),
  FOREIGN KEY (subject_person) REFERENCES people (id),
  FOREIGN KEY (subject_group) REFERENCES person_groups (id),
  FOREIGN KEY (subject_unit) REFERENCES units (id),
  FOREIGN KEY (began) REFERENCES changes (number),
  FOREIGN KEY (ended) REFERENCES changes (number),
  CONSTRAINT withholding_ends_after_it_began CHECK (ended > began),
  CONSTRAINT withholding_until_is_after_from CHECK (holds_until > holds_from),
  CONSTRAINT withholding_names_one_subject CHECK (
    (subject_person IS NOT NULL) + (subject_group IS NOT NULL) + (subject_unit IS NOT NULL) + (subject_builtin IS NOT NULL) = 1)
);

CREATE TABLE withholding_types (
  withholding_id VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  type VARCHAR(64) NOT NULL,
  PRIMARY KEY (withholding_id, began, type),
  FOREIGN KEY (withholding_id, began) REFERENCES withholdings (id, began),
  FOREIGN KEY (type) REFERENCES document_types (id)
);
