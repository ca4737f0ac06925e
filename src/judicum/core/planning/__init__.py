"""Planning an evening: what a booth has, who welds where and when."""
