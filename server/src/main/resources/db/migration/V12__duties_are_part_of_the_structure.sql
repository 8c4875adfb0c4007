-- Who administers what is drafted, journalled and undone like everything else, and held by people, groups and units.

CREATE TABLE duty_assignments (
  id VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  ended BIGINT NULL,
  live TINYINT AS (IF(ended IS NULL, 1, NULL)) PERSISTENT,
  duty ENUM('access', 'people', 'types', 'walls', 'oversight', 'rounds', 'audit', 'system') NOT NULL,
  subject_person VARCHAR(64) NULL,
  subject_group VARCHAR(64) NULL,
  subject_unit VARCHAR(64) NULL,
  subject_builtin ENUM('staff', 'outsiders') NULL,
  place VARCHAR(64) NULL,
  unit VARCHAR(64) NULL,
  ceiling VARCHAR(64) NULL,
  holds_from DATETIME(6) NULL,
  holds_until DATETIME(6) NULL,
  PRIMARY KEY (id, began),
  UNIQUE KEY one_live_duty (id, live),
  KEY by_began (began), KEY by_ended (ended),
  FOREIGN KEY (subject_person) REFERENCES people (id),
  FOREIGN KEY (subject_group) REFERENCES person_groups (id),
  FOREIGN KEY (subject_unit) REFERENCES units (id),
  FOREIGN KEY (place) REFERENCES places (id),
  FOREIGN KEY (unit) REFERENCES units (id),
  FOREIGN KEY (ceiling) REFERENCES roles (id),
  FOREIGN KEY (began) REFERENCES changes (number),
  FOREIGN KEY (ended) REFERENCES changes (number),
  CONSTRAINT duty_ends_after_it_began CHECK (ended > began),
  CONSTRAINT duty_until_is_after_from CHECK (holds_until > holds_from),
  CONSTRAINT duty_names_one_subject CHECK ((subject_person IS NOT NULL) + (subject_group IS NOT NULL) + (subject_unit IS NOT NULL) = 1 AND subject_builtin IS NULL),
  CONSTRAINT duty_about_places_names_one CHECK ((place IS NOT NULL) = (duty IN ('access', 'oversight', 'rounds'))),
  CONSTRAINT duty_about_people_alone_names_a_unit CHECK (unit IS NULL OR duty = 'people'),
  CONSTRAINT only_access_has_a_ceiling CHECK (ceiling IS NULL OR duty = 'access')
);

ALTER TABLE approval_states MODIFY duty ENUM('access', 'walls', 'people', 'types', 'oversight', 'system') NOT NULL;
ALTER TABLE approval_criteria MODIFY duty ENUM('access', 'walls', 'people', 'types', 'oversight', 'system') NULL;

-- What accounts held until now goes on, as a change of its own, for the whole repository. Whoever held every duty that changes something hands duties out.
CREATE TEMPORARY TABLE held AS
  SELECT p.person, d.duty FROM duties d JOIN accounts a ON a.login = d.account JOIN person_states p ON p.person = a.person AND p.live = 1
  UNION
  SELECT p.person, 'system' FROM duties d JOIN accounts a ON a.login = d.account JOIN person_states p ON p.person = a.person AND p.live = 1
  WHERE d.duty IN ('access', 'people', 'types') GROUP BY p.person HAVING COUNT(*) = 3;
INSERT INTO changes (number, author, author_name, made_at, note, origin, content)
  SELECT number + 1, 'set-up', 'Set-up', UTC_TIMESTAMP(6), 'Duties became part of the structure.', 'import', '[]' FROM head WHERE EXISTS (SELECT 1 FROM held);
UPDATE head SET number = number + 1 WHERE EXISTS (SELECT 1 FROM held);
INSERT INTO duty_assignments (id, began, duty, subject_person, place)
  SELECT CONCAT('du-', LEFT(SHA2(CONCAT(held.person, ' ', held.duty), 256), 16)), head.number, held.duty, held.person,
    IF(held.duty IN ('access', 'oversight'), (SELECT r.place FROM place_states r WHERE r.kind = 'repository' AND r.live = 1), NULL)
  FROM held, head;
INSERT INTO change_touches (change_number, thing) SELECT h.number, CONCAT('duty:', d.id) FROM duty_assignments d, head h;
DROP TEMPORARY TABLE held;
DROP TABLE duties;
