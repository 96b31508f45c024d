/** The demo deliveries, synthesised: the same bits at every run. */
package drevik.demo;
