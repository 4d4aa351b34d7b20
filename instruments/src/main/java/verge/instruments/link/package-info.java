/**
 * The one keeper of links to devices and streams: connecting, silence, backing off, closing, a bounded outbox, one snapshot, questions that
 * wait for answers. What is spoken over a link is its codec's affair.
 */
package verge.instruments.link;
