server-removed-person = Removed person { $id }
server-the-student = the student
