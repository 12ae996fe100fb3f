abcq
