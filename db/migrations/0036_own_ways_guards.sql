GRANT SELECT, INSERT, UPDATE ON own_kinds, own_ways TO oak_app;
