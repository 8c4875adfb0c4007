-- Reviews: what was asked of whom on which facts, what they decided, and what came of it. None of it changes who may do what.
CREATE TABLE rounds (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(200) NOT NULL,
  kinds VARCHAR(200) NOT NULL,
  place VARCHAR(64) NULL,
  groups_named TEXT NOT NULL,
  outsiders_only BOOLEAN NOT NULL,
  due_at DATETIME(6) NOT NULL,
  needs_comment BOOLEAN NOT NULL,
  made_by VARCHAR(100) NOT NULL,
  made_by_name VARCHAR(300) NOT NULL,
  made_at DATETIME(6) NOT NULL,
  change_number BIGINT NOT NULL,
  closed_at DATETIME(6) NULL,
  closed_by VARCHAR(100) NULL,
  closed_by_name VARCHAR(300) NULL,
  closing_note VARCHAR(2000) NULL,
  FOREIGN KEY (change_number) REFERENCES changes (number),
  CONSTRAINT closed_by_somebody CHECK ((closed_at IS NULL) = (closed_by IS NULL))
);

CREATE TABLE round_items (
  round BIGINT NOT NULL,
  number INT NOT NULL,
  item_key VARCHAR(300) NOT NULL,
  kind ENUM('membership', 'grant', 'oversight', 'exception', 'clearance', 'duty') NOT NULL,
  reviewer VARCHAR(64) NULL,
  subject_kind ENUM('person', 'group', 'unit', 'builtin') NOT NULL,
  subject_id VARCHAR(64) NOT NULL,
  subject_name VARCHAR(600) NOT NULL,
  container VARCHAR(64) NOT NULL,
  container_name TEXT NOT NULL,
  role VARCHAR(64) NULL,
  holds_from DATETIME(6) NULL,
  holds_until DATETIME(6) NULL,
  people INT NOT NULL,
  outsiders INT NOT NULL,
  risk INT NOT NULL,
  sentence TEXT NOT NULL,
  thing VARCHAR(100) NOT NULL,
  since_words VARCHAR(1000) NOT NULL,
  since_change BIGINT NULL,
  decision ENUM('keep', 'change', 'remove', 'not_mine', 'ask') NULL,
  to_role VARCHAR(64) NULL,
  to_until DATETIME(6) NULL,
  comment VARCHAR(1000) NOT NULL DEFAULT '',
  decided_at DATETIME(6) NULL,
  decided_by VARCHAR(100) NULL,
  decided_by_name VARCHAR(300) NULL,
  outcome VARCHAR(300) NULL,
  PRIMARY KEY (round, number),
  UNIQUE KEY asked_once (round, item_key),
  KEY by_reviewer (reviewer, round),
  FOREIGN KEY (round) REFERENCES rounds (id),
  FOREIGN KEY (reviewer) REFERENCES people (id),
  FOREIGN KEY (since_change) REFERENCES changes (number),
  CONSTRAINT decided_by_somebody CHECK ((decision IS NULL) = (decided_by IS NULL)),
  CONSTRAINT a_change_says_to_what CHECK (decision IS NULL OR decision <> 'change' OR to_role IS NOT NULL OR to_until IS NOT NULL)
);

-- A reviewer who has handed in decides no more in that round.
CREATE TABLE round_deliveries (
  round BIGINT NOT NULL,
  reviewer VARCHAR(64) NOT NULL,
  handed_in_at DATETIME(6) NOT NULL,
  PRIMARY KEY (round, reviewer),
  FOREIGN KEY (round) REFERENCES rounds (id),
  FOREIGN KEY (reviewer) REFERENCES people (id)
);

-- What happened in a round beside decisions; only ever added to.
CREATE TABLE round_trail (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  round BIGINT NOT NULL,
  made_at DATETIME(6) NOT NULL,
  who VARCHAR(100) NOT NULL,
  who_name VARCHAR(300) NOT NULL,
  what VARCHAR(2000) NOT NULL,
  KEY by_round (round, id),
  FOREIGN KEY (round) REFERENCES rounds (id)
);
