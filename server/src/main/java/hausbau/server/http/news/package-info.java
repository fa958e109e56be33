/** What has changed about a site, of all stages at once: asked for by revision, or sent with an edit's own answer. */
package hausbau.server.http.news;
