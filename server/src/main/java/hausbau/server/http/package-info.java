/** The HTTP interface: a controller parses, calls a service, answers. Lengths travel as millimetres. */
package hausbau.server.http;
