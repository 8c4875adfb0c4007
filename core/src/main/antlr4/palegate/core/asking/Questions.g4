// The questions that can be typed (docs/questions.md). Names stand as they are written; which thing they mean is found afterwards.
grammar Questions;

options { caseInsensitive = true; }

question
  : why EOF
  | can EOF
  | whoCan EOF
  | whatCan EOF
  | whatChanged EOF
  | whoBehind EOF
  | whatTakes EOF
  ;

why : WHY (CAN | DOES) NOT? person=name act place=rest when? QUERY?
    | WHY NOT? person=name act place=rest when? QUERY?
    | WHY CANNOT person=name act place=rest when? QUERY?
    ;
can : (CAN | COULD | MAY | DOES) person=name act place=rest when? QUERY? ;
whoCan : WHO (CAN | COULD | MAY) act place=rest when? QUERY?
       | WHO (HAS ACCESS TO | GETS INTO) place=rest when? QUERY?
       ;
whatCan : WHAT (CAN | COULD | MAY) subject=name act when? QUERY?
        | WHAT DOES subject=name HAVE when? QUERY?
        ;
whatChanged : WHAT CHANGED (FOR | IN | AT | ON) thing=rest since? QUERY? ;
whoBehind : WHO IS (BEHIND | BARRED BY | KEPT OUT BY) THE? WALL? wall=rest QUERY? ;
whatTakes : WHAT WOULD IT TAKE FOR person=name TO act place=rest QUERY? ;

when : (ON | AT) date ;
since : SINCE date ;
date : NUMBER MONTH NUMBER? | MONTH NUMBER? | ISO | YESTERDAY | TODAY ;

// A right, or a plain word for one.
act : (FIND | SEE) | (READ | OPEN | VIEW) | (COPY | TAKE COPIES OF | DOWNLOAD) | (ADD TO | FILE INTO | ADD | FILE) | DESCRIBE | (REVISE | CHANGE | EDIT) | (DELETE | REMOVE) (FROM | IN)? | SHARE | (GOVERN | MANAGE) | REACH ;

// As few words as leave the rest a question.
name : word+? ;
rest : (IN | ON | AT | TO)? word+? ;
word : WORD | NUMBER | MONTH | IN | ON | AT | TO | FOR | THE | BY | OUT | IS | OF | WALL | FILE | OPEN | SHARE | CHANGE | READ | COPY | FROM | TAKE | COPIES | FIND | SEE | VIEW | ADD | EDIT | HAVE | ACCESS | INTO | BEHIND | IT ;

WHY : 'why' ;
WHO : 'who' ;
WHAT : 'what' ;
CANNOT : 'can\'t' | 'cannot' | 'can’t' ;
CAN : 'can' ;
COULD : 'could' ;
MAY : 'may' ;
DOES : 'does' | 'do' ;
NOT : 'not' ;
HAS : 'has' ;
HAVE : 'have' ;
ACCESS : 'access' ;
GETS : 'gets' ;
INTO : 'into' ;
CHANGED : 'changed' | 'has changed' ;
SINCE : 'since' ;
IS : 'is' ;
BEHIND : 'behind' ;
BARRED : 'barred' ;
KEPT : 'kept' ;
OUT : 'out' ;
BY : 'by' ;
WALL : 'wall' ;
WOULD : 'would' ;
IT : 'it' ;
TAKE : 'take' ;
COPIES : 'copies' ;
FOR : 'for' ;
TO : 'to' ;
IN : 'in' ;
ON : 'on' ;
AT : 'at' ;
OF : 'of' ;
FROM : 'from' ;
THE : 'the' ;
FIND : 'find' ;
SEE : 'see' ;
READ : 'read' ;
OPEN : 'open' ;
VIEW : 'view' ;
COPY : 'copy' ;
DOWNLOAD : 'download' ;
ADD : 'add' ;
FILE : 'file' ;
DESCRIBE : 'describe' ;
REVISE : 'revise' ;
CHANGE : 'change' ;
EDIT : 'edit' ;
DELETE : 'delete' ;
REMOVE : 'remove' ;
SHARE : 'share' ;
GOVERN : 'govern' ;
MANAGE : 'manage' ;
REACH : 'reach' ;
YESTERDAY : 'yesterday' ;
TODAY : 'today' ;
MONTH : 'january' | 'jan' | 'february' | 'feb' | 'march' | 'mar' | 'april' | 'apr' | 'june' | 'jun' | 'july' | 'jul' | 'august' | 'aug' | 'september' | 'sept' | 'sep' | 'october' | 'oct' | 'november' | 'nov' | 'december' | 'dec' ;
ISO : [0-9] [0-9] [0-9] [0-9] '-' [0-9] [0-9] '-' [0-9] [0-9] ;
NUMBER : [0-9]+ ;
QUERY : '?' ;
WORD : ~[ \t\r\n?]+ ;
SPACE : [ \t\r\n]+ -> skip ;
