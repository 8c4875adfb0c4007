-- Statements that come by themselves: what is asked, how often, and when next.
CREATE TABLE regular_statements (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  account VARCHAR(100) NOT NULL,
  name VARCHAR(120) NOT NULL,
  recipe VARCHAR(1000) NOT NULL,
  format ENUM('XLSX', 'CSV', 'JSON', 'JSONL', 'PDF') NOT NULL,
  every ENUM('week', 'month') NOT NULL,
  day TINYINT NOT NULL,
  only_if_changed BOOLEAN NOT NULL,
  next_at DATETIME(6) NOT NULL,
  made_at DATETIME(6) NOT NULL,
  UNIQUE KEY one_of_a_name (account, name),
  KEY by_next (next_at),
  FOREIGN KEY (account) REFERENCES accounts (login),
  CONSTRAINT a_day_there_is CHECK (day BETWEEN 1 AND IF(every = 'week', 7, 31))
);

-- Files that are made in the background, and wait for whoever asked for them until they end. Whoever makes one holds it for a while and
-- says so again and again; if they fall silent somebody else takes it up.
CREATE TABLE prepared_files (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  account VARCHAR(100) NOT NULL,
  regular_statement BIGINT NULL,
  recipe VARCHAR(1000) NOT NULL,
  format ENUM('XLSX', 'CSV', 'JSON', 'JSONL', 'PDF') NOT NULL,
  about_at DATETIME(6) NOT NULL,
  change_number BIGINT NOT NULL,
  state ENUM('waiting', 'in_the_making', 'ready', 'unchanged', 'failed') NOT NULL,
  title VARCHAR(1000) NOT NULL DEFAULT '',
  file_name VARCHAR(200) NOT NULL DEFAULT '',
  asked_at DATETIME(6) NOT NULL,
  begun_at DATETIME(6) NULL,
  ended_at DATETIME(6) NULL,
  kept_until DATETIME(6) NULL,
  rows_made BIGINT NOT NULL DEFAULT 0,
  rows_expected BIGINT NULL,
  bytes BIGINT NOT NULL DEFAULT 0,
  tries INT NOT NULL DEFAULT 0,
  held_by CHAR(36) NULL,
  held_until DATETIME(6) NULL,
  content_digest VARCHAR(80) NULL,
  known_digest VARCHAR(80) NULL,
  failure VARCHAR(1000) NULL,
  KEY by_account (account, id),
  KEY by_state (state, held_until),
  KEY by_end (kept_until),
  FOREIGN KEY (account) REFERENCES accounts (login),
  FOREIGN KEY (regular_statement) REFERENCES regular_statements (id) ON DELETE SET NULL,
  FOREIGN KEY (change_number) REFERENCES changes (number),
  CONSTRAINT held_while_it_is_made CHECK ((state = 'in_the_making') = (held_by IS NOT NULL)),
  CONSTRAINT ready_with_what_it_tells CHECK (state <> 'ready' OR (content_digest IS NOT NULL AND known_digest IS NOT NULL)),
  CONSTRAINT failed_with_a_reason CHECK ((state = 'failed') = (failure IS NOT NULL))
);

-- A file in pieces, each deflated by itself.
CREATE TABLE prepared_parts (
  file BIGINT NOT NULL,
  number INT NOT NULL,
  bytes MEDIUMBLOB NOT NULL,
  PRIMARY KEY (file, number),
  FOREIGN KEY (file) REFERENCES prepared_files (id) ON DELETE CASCADE
);
