-- Who agreed to a change before it was put in force, and for when it was scheduled: the draft that said so is gone by then.
ALTER TABLE changes
  ADD COLUMN scheduled_for DATETIME(6) NULL;

CREATE TABLE change_approvals (
  change_number BIGINT NOT NULL,
  approver VARCHAR(100) NOT NULL,
  approver_name VARCHAR(300) NOT NULL,
  made_at DATETIME(6) NOT NULL,
  PRIMARY KEY (change_number, approver),
  FOREIGN KEY (change_number) REFERENCES changes (number)
);
