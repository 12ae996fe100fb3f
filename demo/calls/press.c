char *jars[] = {"press", "-n", "2", "lime honey"};
execv("./scripts/seal.sh", jars);
