-- press: what a window calls one press of the button, so that a press that arrives twice is one run.
ALTER TABLE run
    ADD COLUMN press VARCHAR(60) NULL,
    ADD UNIQUE KEY one_press_one_run (handoff_id, press),
    ADD KEY run_by_state (state, finished_at);
