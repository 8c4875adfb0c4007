-- Types say where they may be used; drafts have names, and there may be several of them.

ALTER TABLE type_states ADD COLUMN short_name VARCHAR(300) NULL;

CREATE TABLE type_libraries (
  type VARCHAR(64) NOT NULL,
  began BIGINT NOT NULL,
  library VARCHAR(64) NOT NULL,
  PRIMARY KEY (type, began, library),
  FOREIGN KEY (type, began) REFERENCES type_states (type, began),
  FOREIGN KEY (library) REFERENCES places (id)
);

ALTER TABLE duties MODIFY duty ENUM('access', 'audit', 'walls', 'people', 'types', 'oversight') NOT NULL;

-- in_hand marks the draft into which its owner's changes go: one at most.
ALTER TABLE drafts
  ADD COLUMN name VARCHAR(200) NOT NULL DEFAULT 'Draft',
  ADD COLUMN in_hand TINYINT NULL,
  ADD COLUMN due_at DATETIME(6) NULL,
  ADD COLUMN due_note VARCHAR(2000) NULL,
  ADD COLUMN due_version INT NULL,
  ADD COLUMN stopped_because VARCHAR(2000) NULL,
  ADD KEY by_owner (owner),
  ADD KEY by_due_at (due_at),
  ADD CONSTRAINT in_hand_or_not CHECK (in_hand = 1),
  ADD CONSTRAINT what_is_due_has_a_note_and_a_version CHECK ((due_at IS NULL) = (due_note IS NULL) AND (due_at IS NULL) = (due_version IS NULL));
UPDATE drafts SET in_hand = 1;
ALTER TABLE drafts
  DROP KEY one_draft_an_owner,
  ADD UNIQUE KEY one_draft_in_hand (owner, in_hand);

ALTER TABLE draft_changes ADD COLUMN position INT NOT NULL DEFAULT 0;
UPDATE draft_changes SET position = id;

-- With whom a draft is shared, and what was said about it.
CREATE TABLE draft_readers (
  draft BIGINT NOT NULL,
  account VARCHAR(100) NOT NULL,
  PRIMARY KEY (draft, account),
  FOREIGN KEY (draft) REFERENCES drafts (id) ON DELETE CASCADE,
  FOREIGN KEY (account) REFERENCES accounts (login)
);

CREATE TABLE draft_comments (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  draft BIGINT NOT NULL,
  author VARCHAR(100) NOT NULL,
  made_at DATETIME(6) NOT NULL,
  text VARCHAR(2000) NOT NULL,
  KEY by_draft (draft, id),
  FOREIGN KEY (draft) REFERENCES drafts (id) ON DELETE CASCADE,
  FOREIGN KEY (author) REFERENCES accounts (login),
  CONSTRAINT a_comment_says_something CHECK (text <> '')
);

-- An approval is of one version: whoever edits the draft has to ask again.
CREATE TABLE draft_approvals (
  draft BIGINT NOT NULL,
  version INT NOT NULL,
  approver VARCHAR(100) NOT NULL,
  made_at DATETIME(6) NOT NULL,
  PRIMARY KEY (draft, version, approver),
  FOREIGN KEY (draft) REFERENCES drafts (id) ON DELETE CASCADE,
  FOREIGN KEY (approver) REFERENCES accounts (login)
);

-- Where a second person has to approve: for changes that need a duty, or anywhere in a library.
CREATE TABLE approval_rules (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  duty ENUM('access', 'walls', 'people', 'types', 'oversight') NULL,
  library VARCHAR(64) NULL,
  UNIQUE KEY one_rule_a_duty (duty),
  UNIQUE KEY one_rule_a_library (library),
  FOREIGN KEY (library) REFERENCES places (id),
  CONSTRAINT a_rule_names_a_duty_or_a_library CHECK ((duty IS NULL) <> (library IS NULL))
);

-- Requests that were carried out, so that the same one sent twice is carried out once.
CREATE TABLE answered_requests (
  request VARCHAR(64) NOT NULL PRIMARY KEY,
  account VARCHAR(100) NOT NULL,
  change_number BIGINT NOT NULL,
  FOREIGN KEY (account) REFERENCES accounts (login),
  FOREIGN KEY (change_number) REFERENCES changes (number)
);

-- Small documents that are really there. Content is no part of the structure: it has one current version.
CREATE TABLE document_contents (
  place VARCHAR(64) NOT NULL PRIMARY KEY,
  media_type ENUM('text/plain', 'application/pdf') NOT NULL,
  bytes MEDIUMBLOB NOT NULL,
  put_by VARCHAR(100) NOT NULL,
  put_at DATETIME(6) NOT NULL,
  FOREIGN KEY (place) REFERENCES places (id),
  FOREIGN KEY (put_by) REFERENCES accounts (login)
);

-- Lists that are kept to be used again: the customer's own.
CREATE TABLE list_templates (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(200) NOT NULL,
  entries JSON NOT NULL CHECK (JSON_VALID(entries)),
  UNIQUE KEY one_template_a_name (name)
);
