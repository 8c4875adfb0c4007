-- How many days before it is due a round writes by itself to whoever has not handed in; null if it never does.
ALTER TABLE rounds
  ADD COLUMN remind_days INT NULL,
  ADD CONSTRAINT sensible_reminders CHECK (remind_days IS NULL OR remind_days BETWEEN 1 AND 90);

-- What was decided about the same thing in the rounds before is asked for by its key.
CREATE INDEX by_thing ON round_items (item_key, round);

-- Each of the two reminders is written once, whichever instance comes to it first.
CREATE TABLE round_reminders (
  round BIGINT NOT NULL,
  occasion ENUM('before', 'overdue') NOT NULL,
  sent_at DATETIME(6) NOT NULL,
  PRIMARY KEY (round, occasion),
  FOREIGN KEY (round) REFERENCES rounds (id)
);

-- What was put into documents is listed in the order in which it was.
CREATE INDEX by_time ON document_contents (put_at);
