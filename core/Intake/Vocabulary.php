<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/**
 * Words that lists have beside people, folded: what announces, greets, closes, and heads. None of them is taken before
 * names: somebody may be called so.
 */
final class Vocabulary
{
    /** Words of headings, sums and sentences; a line in which nobody was found and one of these stands is nobody. */
    public const HEADING = 'absence absent academy activity address all allocation also and another answer any '
        .'app applicants '
        .'are as asked attached attend attendance attending autumn available before begin begins below best '
        .'book booking branch building call cancelled candidates capacity category cc centre checked choir '
        .'class classes classroom clock cohort come comes coming comments commission confirm confirmed '
        .'contact copy could count course courses created date day days deadline dear department desk '
        .'details discussed division door draft duration each email end enclosed end ends ensemble enrolled '
        .'enrolment enrolments entries events every everybody everyone expected extension external faculty '
        .'fall few final first floor following for form forms forwarded free friday from full further given '
        .'greetings group groups guest guests has have he head hello help here hers hi his hour house if in '
        .'include included information institute instructor is it january february march april may june july '
        .'august september october november december join just kind last late later learner learners leave '
        .'lesson lessons let level levels list listed lists location login mail make many max maximum '
        .'meeting members message might min minimum missing mobile module monday month more morning most '
        .'music my name names need new next no none not note notes notice now number numbers of office on '
        .'one only open orchestra order other our overview own page pages part attendees parts pending '
        .'people period persons phone places plan please printed privately programme pupils questions re '
        .'receive received register registered registration registrations regular remarks reply requested '
        .'requests reserve reserved results ring role room rooms roster save saturday schedule school seats '
        .'second section sections see send sender sent session sessions sheet should sick sign signed '
        .'signups site sites so some spring staff start starts state status still students subject '
        .'substitute sum summary summer sunday surname table tba tbc teacher teachers teaching team '
        .'telephone term thank thanks that the their them then there these they third this those three '
        .'thursday time timetable title to today tomorrow topic total trial tuesday tutor tutors two unit '
        .'until up update updated us various venue version via waiting was we wednesday week weekly weeks '
        .'welcome were when which who will winter with woodwind brass strings without workshop would year '
        .'years yes you your '
        // German, French, Spanish, Portuguese, Italian, Dutch, Polish
        .'abgemeldet alle anbei anwesend anmeldungen bitte betreff danke datum folgende gruppe gruppen '
        .'gesamt herbst hallo insgesamt klasse kurs kurse lehrer liebe lieber liste montag dienstag mittwoch '
        .'donnerstag freitag samstag sonntag nachname name namen neu raum schule schueler seite semester '
        .'stunde summe teilnehmer tutoren und vielen vorname warteliste winter woche zusammen bonjour classe '
        .'cours eleves groupe liste merci nom prenom salle semaine total alumnos asunto clase curso curso '
        .'grupo gracias hola lista lunes martes miercoles jueves viernes nombre apellidos alunos aula '
        .'obrigado turma nome sobrenome classe cognome corso grazie gruppo lezione studenti bedankt beste '
        .'cursus groep lijst naam achternaam voornaam klas leerlingen grupa imie klasa lista nazwisko '
        .'uczniowie zajecia';

    /** Words a greeting begins with. */
    public const GREETING = 'dear hello hi hey good greetings liebe lieber hallo guten sehr bonjour cher chere '
        .'hola querido '
        .'querida estimado estimada ola caro cara ciao gentile buongiorno beste geachte czesc dzien szanowni';

    /** Words of a closing line. */
    public const CLOSING = 'best cheers greetings regards sincerely thanks thank yours wishes faithfully warmly '
        .'gruss gruesse '
        .'grusse danke mfg lg cordialement merci saludos gracias atentamente abracos obrigado obrigada '
        .'saluti grazie groeten groet pozdrawiam mvh '
        .'hochachtungsvoll amicalement salutations cordiali distinti saludo hilsen halsningar terveisin '
        .'vriendelijke udvozlettel koszonom koszonettel pozdravem dekuji dziekuje sevgiler saygilarimla '
        .'tesekkurler spasibo uvazheniem efcharisto eucharisto';

    /** What lines of a forwarded message begin with, before a colon. */
    public const MAIL = 'from to cc bcc date sent subject re fw fwd reply von an betreff gesendet datum de a '
        .'objet para '
        .'assunto asunto enviado da oggetto van aan onderwerp verzonden od do temat';

    public const TITLES = 'dr herr frau miss mr mrs ms mx prof sir madam mme mlle sr sra srta dott ing rev fr';

    /** What announces a number. */
    public const NUMBERS = 'no nr num number id nbr nummer numero matr';

    /** What announces a telephone number. */
    public const PHONES = 'tel telephone phone ph mob mobile cell handy fax fon';

    /** Kinds of people in words. */
    public const KINDS = [
        'learner' => 'learner learners student students pupil pupils schueler schuelerin eleve alumno alumna '
            .'aluno aluna '
            .'leerling uczen',
        'staff' => 'staff tutor teacher teachers tutors lehrer lehrerin instructor lecturer professor docent '
            .'enseignant '
            .'profesor profesora professora nauczyciel',
        'guardian' => 'guardian parent parents',
        'external' => 'external guest',
    ];

    /**
     * What says that somebody is not coming: words alone, and of those behind "not" or "no".
     */
    public const OUT = 'absent excused remove delete drop drops cancel cancels moved moves transferred leaves '
        .'stops stopped quits cancelled canceled withdrew withdrawn withdraws unenrolled unenrolled '
        .'dropped quit '
        .'resigned declined deregistered abgemeldet entschuldigt krank absente excuse ausente cancelado '
        .'ritirato afgemeld nieobecny nieobecna removed deleted';

    public const NOT = 'coming come comes attend attends attending here participating participate joining join '
        .'longer more '
        .'anymore registered enrolled back return returning taking';

    /** Before a name: who is left out. */
    public const EXCEPT = 'not without except minus excluding ohne ausser sauf sin sem senza zonder bez';

    /** Behind a name: somebody else is named, to say whom they come for or whose they are. */
    public const OTHER = 'replaces replacing substitutes substituting instead for sister brother mother father parent '
        .'parents guardian son daughter friend cousin wife husband mum mom dad aunt uncle twin knows child '
        .'sibling statt fuer anstelle schwester bruder mutter vater sohn tochter soeur frere mere pere '
        .'hermana hermano madre padre irma irmao mae pai zus broer moeder vader siostra brat matka ojciec';

    /** The other way round: who is named first goes. */
    public const REPLACED = 'replaced ersetzt remplace sustituido';

    /** Words that join two names. */
    public const JOINING = 'and und u. et y e og och en i ja ve oraz sowie plus';

    /** Headings of columns, folded, by what stands below them. */
    public const COLUMNS = [
        'family' => ['surname', 'family name', 'family names', 'last name', 'lastname', 'familyname', 'nachname',
            'family',
            'familienname', 'nom', 'nom de famille', 'apellido', 'apellidos', 'sobrenome', 'apelido', 'cognome',
            'achternaam', 'nazwisko', 'efternamn', 'name family', 'last', 'family name s'],
        'given' => ['first name', 'firstname', 'given name', 'given names', 'givenname', 'forename', 'forenames',
            'first',
            'vorname', 'prenom', 'nombre', 'nome proprio', 'voornaam', 'imie', 'fornamn', 'name given', 'given',
            'christian name', 'first names', 'rufname', 'preferred name'],
        'name' => ['name', 'names', 'full name', 'fullname', 'student', 'student name', 'participant', 'learner',
            'pupil',
            'person', 'who', 'learner name', 'nome', 'naam', 'imie i nazwisko', 'teilnehmer',
            'students',
            'member', 'name of student'],
        'number' => ['number', 'id', 'student no', 'student number', 'student id', 'learner number', 'no of learner',
            'id number', 'matriculation number', 'matr', 'registration number', 'matrikelnummer', 'identifier',
            'staff number', 'learner no', 'person number', 'sid'],
        'address' => ['email', 'e mail', 'mail', 'address', 'email address', 'e mail address', 'contact', 'courriel',
            'correo', 'mail address'],
        'login' => ['login', 'user', 'username', 'user name', 'account', 'login name', 'user id', 'userid'],
        'level' => ['level', 'lvl', 'grade', 'year', 'stufe', 'klasse', 'niveau', 'nivel', 'livello', 'poziom',
            'levels',
            'year group'],
        'division' => ['division', 'school', 'part of', 'department', 'branch', 'faculty', 'unit', 'campus',
            'abteilung',
            'house'],
        'kind' => ['kind', 'type', 'role'],
        'section' => ['section', 'group', 'gruppe', 'class', 'grupo'],
        'remark' => ['remark', 'remarks', 'note', 'notes', 'comment', 'comments', 'instrument', 'plays', 'bemerkung',
            'info', 'information', 'phone', 'telephone', 'tel', 'mobile', 'date', 'birthday', 'date of birth', 'born',
            'paid', 'status', 'mark', 'result', 'signature', 'present', 'parent', 'parents', 'guardian', 'mother',
            'father', 'contact person', 'emergency contact', 'teacher', 'tutor'],
        'place' => ['nr', 'no', 'pos', 'place', 'row', 'n', 'line', 'rank', 'order', 'lfd nr', 's no', 'sl no'],
    ];

    /** @var array<string, array<string, true>> */
    private static array $sets = [];

    private function __construct() {}

    /** Whether a folded word is among some of these. */
    public static function has(string $words, string $word): bool
    {
        self::$sets[$words] ??= array_fill_keys(explode(' ', $words), true);

        return isset(self::$sets[$words][$word]);
    }

    /** @param list<string> $words folded, of a line on which nobody was found */
    public static function closes(array $words): bool
    {
        return \count($words) < 6
            && [] !== array_filter($words, static fn(string $word): bool => self::has(self::CLOSING, $word));
    }

    /** What a heading says of the column below it. */
    public static function column(string $folded): ?Column
    {
        foreach (self::COLUMNS as $column => $headings) {
            if (\in_array($folded, $headings, true)) {
                return Column::from($column);
            }
        }

        return null;
    }
}
