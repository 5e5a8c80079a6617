GRANT SELECT, INSERT, UPDATE ON own_devices, own_ways TO oak_app;
