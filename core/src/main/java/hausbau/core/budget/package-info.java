/** What a set costs ({@link hausbau.core.budget.Tally}), and what the brief allows for it ({@link hausbau.core.budget.Budget}). */
package hausbau.core.budget;
