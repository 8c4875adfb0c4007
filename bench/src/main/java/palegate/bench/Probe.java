package palegate.bench;

import java.util.*;
import java.util.function.*;
import palegate.core.snapshot.*;
import palegate.core.structure.*;
import palegate.core.drafts.*;
import palegate.core.questions.*;
import palegate.core.people.*;
import palegate.core.places.*;
import palegate.core.access.*;
import palegate.core.roles.*;
import palegate.core.walls.*;

public class Probe {
  static Structure s; static Snapshot snap; static Moment m; static Random r = new Random(5);
  static void sample(String name, Runnable run) { Map<String,Integer> top=new HashMap<>(); Map<String,Integer> self=new HashMap<>(); Thread main=Thread.currentThread(); boolean[] stop={false};
    Thread t=new Thread(() -> { while(!stop[0]) { try{Thread.sleep(1);}catch(Exception e){} StackTraceElement[] st=main.getStackTrace(); if(st.length>0) self.merge(st[0].getClassName()+"."+st[0].getMethodName()+":"+st[0].getLineNumber(),1,Integer::sum); Set<String> seen=new HashSet<>(); for(StackTraceElement e:st) if(e.getClassName().startsWith("palegate.core")&&seen.add(e.getClassName()+"."+e.getMethodName())) top.merge(e.getClassName()+"."+e.getMethodName()+":"+e.getLineNumber(),1,Integer::sum);} }); t.start(); run.run(); stop[0]=true; try{t.join();}catch(Exception e){}
    System.out.println("== "+name); self.entrySet().stream().sorted((x,y)->y.getValue()-x.getValue()).limit(8).forEach(e->System.out.println("  self "+e)); top.entrySet().stream().sorted((x,y)->y.getValue()-x.getValue()).limit(16).forEach(e->System.out.println("  incl "+e)); }
  static double used() { for (int i=0;i<4;i++) System.gc(); Runtime t=Runtime.getRuntime(); return (t.totalMemory()-t.freeMemory())/1e6; }
  static void time(String name, int n, Runnable run) {
    long[] t=new long[n];
    for (int i=0;i<n;i++){ long a=System.nanoTime(); run.run(); t[i]=System.nanoTime()-a; }
    long[] u=Arrays.copyOfRange(t,n/3,n); Arrays.sort(u);
    System.out.printf("%-40s p50 %10.1f us  p99 %10.1f us first %10.1f%n", name, u[u.length/2]/1e3, u[(int)(u.length*0.99)]/1e3, t[0]/1e3);
  }
  public static void main(String[] a) {
    s = Structures.of(Structures.Size.valueOf(a[0]));
    double rows=used();
    for (int i=0;i<(a.length>2?1:6);i++){ snap=null; m=null; System.gc(); long x=System.nanoTime(); snap=Snapshot.of(s); long y=System.nanoTime(); m=snap.at(Structures.NOW); long z=System.nanoTime();
      System.out.printf("compile %.0f + %.0f ms%n",(y-x)/1e6,(z-y)/1e6);}
    System.out.printf("rows %.0f MB, beyond %.0f MB, classes %d places %d%n", rows, used()-rows, m.classCount(), snap.placeCount());
    if (a.length>2) { String w=a[1]; snap=Snapshot.of(s); m=snap.at(Structures.NOW); Runnable x = w.equals("folder") ? () -> re(new Change.AddGrant(new Grant("bench", "f"+r.nextInt(2000), new Subject.OfGroup("g1"), "r5", Set.of(), Period.ALWAYS, null))) : w.equals("member") ? () -> re(new Change.AddMember("g0", new Membership(new Membership.PersonMember("p"+r.nextInt(20000)),Period.ALWAYS))) : w.equals("breaklib") ? () -> { int q=r.nextInt(170); re(new Change.Break("l"+q, Change.Start.EMPTY, List.of(new Grant("k","l"+q,Subject.BuiltIn.STAFF,"r5",Set.of(),Period.ALWAYS,null)), "b")); } : w.equals("root") ? () -> re(new Change.AddGrant(new Grant("bench", "root", Subject.BuiltIn.STAFF, "r5", Set.of(), Period.ALWAYS, null))) : () -> { int h=0; for(int i=0;i<2000000;i++) h+=m.rights(r.nextInt(20000),r.nextInt(1060201)).mask(); if(h==3) System.out.println(); }; int n=Integer.parseInt(a[2]); for(int i=0;i<n;i++) x.run(); sample(w, () -> { for(int i=0;i<n;i++) x.run(); }); time(w,n,x); return; } if (a.length>1) { for(int k=0;k<2;k++) sample("compile", () -> { for(int i=0;i<3;i++){ Snapshot.of(s).at(Structures.NOW);} }); }
    int P=snap.personCount(), N=snap.placeCount();
    for (int k=0;k<4;k++){ int n=4_000_000; long x=System.nanoTime(); int h=0; Random q=new Random(k); for(int i=0;i<n;i++) h+=m.rights(q.nextInt(P),q.nextInt(N)).mask(); long y=System.nanoTime();
      System.out.printf("rights %.2f M/s (%d)%n", n*1e3/(y-x), h);}
    int[] pp=new Random(1).ints(500,0,P).toArray(), dd=new Random(2).ints(20000,0,N).toArray();
    for (int k=0;k<3;k++){ int n=8_000_000; long x=System.nanoTime(); int h=0; SplittableRandom q=new SplittableRandom(k); for(int i=0;i<n;i++) h+=m.rights(pp[q.nextInt(500)],dd[q.nextInt(20000)]).mask(); long y=System.nanoTime();
      System.out.printf("rights skewed %.2f M/s (%d)%n", n*1e3/(y-x), h);}
    time("whoCan read", 20000, () -> WhoCan.holding(m, Right.READ, r.nextInt(N)).numbers());
    time("reachOf", 300, () -> ReachOf.person(m, r.nextInt(P)).documents());
    time("explain", 3000, () -> Explanation.of(m, Structures.NOW, r.nextInt(P), r.nextInt(N), Explanation.WallReasons.SHOWN));
    time("accessList", 3000, () -> AccessList.of(snap, Structures.NOW, r.nextInt(N)));
    time("rehearse grant folder", 100, () -> re(new Change.AddGrant(new Grant("bench", "f"+r.nextInt(200), new Subject.OfGroup("g1"), "r5", Set.of(), Period.ALWAYS, null))));
    time("rehearse grant lib", 60, () -> re(new Change.AddGrant(new Grant("bench", "l"+r.nextInt(s.places().size()/6000), new Subject.OfGroup("g1"), "r5", Set.of(), Period.ALWAYS, null))));
    time("rehearse break lib", 60, () -> { int q=r.nextInt(s.places().size()/6000); re(new Change.Break("l"+q, Change.Start.EMPTY, List.of(new Grant("k","l"+q,Subject.BuiltIn.STAFF,"r5",Set.of(),Period.ALWAYS,null)), "b")); });
    time("rehearse wall label", 60, () -> re(new Change.SetWall(new Wall("nw","x",null,Wall.State.STANDING,Period.ALWAYS,new Barrier.Screen(Scope.ofLabel("case","c"+r.nextInt(300)),List.of(new Subject.OfGroup("g5"))),List.of()))));
    time("rehearse member big group", 30, () -> { Group g=s.groups().get("g0"); re(new Change.AddMember("g"+(1+r.nextInt(s.groups().size()-1)), new Membership(new Membership.GroupMember("g0"),Period.ALWAYS))); });
    time("rehearse member into big", 30, () -> re(new Change.AddMember("g0", new Membership(new Membership.PersonMember("p"+r.nextInt(P)),Period.ALWAYS))));
    time("rehearse all staff root", 8, () -> re(new Change.AddGrant(new Grant("bench", "root", Subject.BuiltIn.STAFF, "r5", Set.of(), Period.ALWAYS, null))));
    { long t=0; for(int c=0;c<m.classCount();c++) t+=1; System.out.println("avg lines "+t/(double)m.classCount()); } time("apply+publish", 10, () -> { Snapshot n0=snap.next(Application.of(snap, List.of(new Change.AddGrant(new Grant("bench", "f"+r.nextInt(2000), new Subject.OfGroup("g1"), "r5", Set.of(), Period.ALWAYS, null))), Structures.NOW).structure()); n0.at(Structures.NOW); Snapshot n=n0.detached(); n.at(Structures.NOW); });
  }
  static long re(Change c){ Rehearsal x=Rehearsal.of(snap, List.of(c), Structures.NOW, "p1"); return x.now().totals().pairsGaining(); }
}
