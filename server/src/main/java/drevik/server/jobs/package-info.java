/** Long work on db-scheduler. Sees the other rooms and is seen by none. */
package drevik.server.jobs;
