// The argument of this number, read in the usual way.
public class Read {
    public static void main(String[] args) {
        System.out.println("value [" + args[Integer.parseInt(System.getenv("READ"))] + "]");
    }
}
