api-guide-answered = Answered
api-guide-api-guide = API guide
api-guide-in-the-address = In the address
api-guide-search-calls = Search calls
api-guide-send-authorization-bearer-and-a-token = Send <code>Authorization: Bearer</code> and a token that you made on the page of your account. Figures are SI, units stand in the names, times are UTC. What is refused comes back as JSON with <code2>code</code2>, <code3>detail</code3> and, field by field, what was given and what is allowed. The same as a file: <a>OpenAPI</a>.
api-guide-sent = Sent
api-guide-the-description-of-the-api-cannot = The description of the API cannot be read.
