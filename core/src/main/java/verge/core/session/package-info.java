/** Static sessions: a receiver that stands over a mark for a while and writes down what it observes, for the office to compute. */
package verge.core.session;
