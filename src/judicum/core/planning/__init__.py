"""Planning an evening: who stands where and when."""
