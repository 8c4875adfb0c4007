-- What the application may do, and no more: it runs as a user of its own, without the right to alter tables. The journal is
-- only ever added to; history is added to and ended, never deleted. A table that is not named here cannot be used.

-- The journal.
GRANT SELECT, INSERT ON changes TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON change_touches TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON change_approvals TO 'palegate'@'127.0.0.1';

-- Who and what there ever was: an id stays.
GRANT SELECT, INSERT, UPDATE ON approvals TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON document_types TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON passes TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON people TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON person_groups TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON places TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON roles TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON separations TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON units TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON walls TO 'palegate'@'127.0.0.1';

-- States: begun and ended.
GRANT SELECT, INSERT, UPDATE ON approval_states TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON grants TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON group_states TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON memberships TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON oversights TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON pass_states TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON person_states TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON place_states TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON role_states TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON separation_states TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON sharing_rules TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON shortlists TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON type_states TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON unit_states TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON wall_states TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON withholdings TO 'palegate'@'127.0.0.1';

-- What belongs to a state, and ends with it.
GRANT SELECT, INSERT ON approval_criteria TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON grant_types TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON pass_audiences TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON place_labels TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON separation_sides TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON shortlist_audiences TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON type_clearances TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON type_libraries TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON wall_exceptions TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON wall_scopes TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON wall_sides TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON wall_subjects TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON withholding_types TO 'palegate'@'127.0.0.1';

-- Drafts, sessions and what else comes and goes.
GRANT SELECT, INSERT, UPDATE, DELETE ON SPRING_SESSION TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON SPRING_SESSION_ATTRIBUTES TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON accounts TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON answered_requests TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON document_contents TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON draft_approvals TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON draft_changes TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON draft_comments TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON draft_readers TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON drafts TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON duty_assignments TO 'palegate'@'127.0.0.1';
GRANT SELECT, UPDATE ON head TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON known_devices TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON list_templates TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON sign_in_attempts TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON document_texts TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON openings TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON walks TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON wall_proofs TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON walk_settings TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON wall_notices TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON wall_notice_readers TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON wall_gap_dismissals TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON invitations TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON mailbox TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON kept_statements TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON regular_statements TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON prepared_files TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON recurring_jobs TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON queued_jobs TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, DELETE ON prepared_parts TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON finding_acceptances TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON matrix_views TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON gatehouse_visits TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON finding_rules_off TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON finding_limits TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON finding_assignments TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON finding_comments TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON rounds TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON round_items TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON round_deliveries TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON round_trail TO 'palegate'@'127.0.0.1';
GRANT SELECT, INSERT ON round_reminders TO 'palegate'@'127.0.0.1';
