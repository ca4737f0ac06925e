api-the-server-does-not-answer-check = The server does not answer. Check the connection; nothing you sent is lost.
api-the-server-failed-try-again-if = The server failed ({ $status }). Try again. If it keeps failing, tell your instructor.
