package drevik.outline;

import java.util.List;

/**
 * A line as it is written.
 *
 * @param number from 1
 * @param parent index of the line that it is indented under, among all lines; −1 for none
 * @param names of the channels that it stands for: as many as its brackets count
 * @param ordinal which of several controls of that name it is, from 1; 0 where it does not say
 * @param control true if it declares a control group
 * @param marks in their order
 * @param from where its name begins in the text of the line, in characters
 * @param to behind the last character of its name
 */
record OutlineLine(
    int number,
    int parent,
    List<String> names,
    int ordinal,
    boolean control,
    List<Mark> marks,
    int from,
    int to) {
  OutlineLine {
    names = List.copyOf(names);
    marks = List.copyOf(marks);
  }
}
