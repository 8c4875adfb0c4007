package palegate.bench;
import java.util.*;
import palegate.core.snapshot.*;
public class Probe2 {
  public static void main(String[] a) {
    Snapshot snap=Snapshot.of(Structures.of(Structures.Size.valueOf(a[0]))); Moment m=snap.at(Structures.NOW);
    int P=snap.personCount(), N=snap.placeCount();
    for (int[] c : new int[][]{{1,1},{50,50},{50,2000},{500,50},{500,2000},{500,20000},{P,20000},{500,N},{P,N}}) {
      int[] pp=new Random(1).ints(c[0],0,P).toArray(), dd=new Random(2).ints(c[1],0,N).toArray();
      double best=0; for(int k=0;k<5;k++){ int n=3_000_000; SplittableRandom q=new SplittableRandom(k); int h=0; long x=System.nanoTime(); for(int i=0;i<n;i++) h+=m.rights(pp[q.nextInt(c[0])],dd[q.nextInt(c[1])]).mask(); long y=System.nanoTime(); best=Math.max(best,n*1e3/(y-x)); if(h==7)System.out.print(""); }
      System.out.printf("%d x %d: %.2f M/s = %.0f ns%n", c[0],c[1],best,1e3/best);
    }
  }
}
