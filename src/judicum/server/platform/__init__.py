"""What every room stands on and which knows none of them: files, request ids, the sandbox for pictures, mail kept as files."""
