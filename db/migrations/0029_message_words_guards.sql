GRANT UPDATE (question_message, card_message) ON practice TO oak_app;
