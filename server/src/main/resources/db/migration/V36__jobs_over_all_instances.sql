-- Jobs that recur, and pieces of work that wait: who is at what, and whether they still are. The columns are those of the scheduler's library.
CREATE TABLE recurring_jobs (
  task_name VARCHAR(100) NOT NULL,
  task_instance VARCHAR(100) NOT NULL,
  task_data BLOB NULL,
  execution_time DATETIME(6) NOT NULL,
  picked BOOLEAN NOT NULL,
  picked_by VARCHAR(60) NULL,
  last_success DATETIME(6) NULL,
  last_failure DATETIME(6) NULL,
  consecutive_failures INT NULL,
  last_heartbeat DATETIME(6) NULL,
  version BIGINT NOT NULL,
  PRIMARY KEY (task_name, task_instance),
  KEY by_time (execution_time),
  KEY by_heartbeat (last_heartbeat)
);

CREATE TABLE queued_jobs LIKE recurring_jobs;

-- Whether whoever makes a file still does is what the queue knows.
ALTER TABLE prepared_files DROP KEY by_state, DROP COLUMN held_until, ADD KEY by_state (state);
