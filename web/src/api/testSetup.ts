// The client takes the fetch that is there when it is first loaded, by whichever file that is: the stand-in has to be there before all of them.
import './testkit'
