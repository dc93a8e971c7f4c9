<?php

declare(strict_types=1);

namespace MintDoor\Core\Accounts;

use MintDoor\Core\People\FurtherName;
use MintDoor\Core\People\NameKind;
use MintDoor\Core\People\NumberFormat;
use MintDoor\Core\People\NumberReading;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Platform\Detail;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\LevelNames;
use MintDoor\Core\Platform\OwnKind;
use MintDoor\Core\Text\Columns;
use MintDoor\Core\Text\Folding;
use MintDoor\Core\Text\Rows;
use MintDoor\Core\Text\TooMuch;

/**
 * Reads rows of people who are to get accounts, as they are typed or pasted from a spreadsheet. A first row may name
 * the columns; without one each cell is taken for what it looks like: an address, a number, a level, a division, a
 * kind, a login, and what is left is the name.
 */
final readonly class AccountRows
{
    private const FIELDS = [
        'given' => '',
        'family' => '',
        'name' => '',
        'preferred' => '',
        'kind' => '',
        'division' => '',
        'level' => '',
        'number' => '',
        'email' => '',
        'login' => '',
        'former' => '',
        'passport' => '',
        'script' => '',
        'stage' => '',
        'other' => '',
    ];

    /** What columns are called in a first row. */
    private const CALLED = [
        'given' => ['given', 'given name', 'given names', 'first name', 'forename'],
        'family' => ['family', 'family name', 'surname', 'last name'],
        'name' => ['name', 'full name'],
        'preferred' => ['preferred', 'preferred name', 'called'],
        'kind' => ['kind', 'type'],
        'division' => ['division', 'school'],
        'level' => ['level'],
        'number' => ['number', 'learner number', 'staff number', 'no'],
        'email' => ['email', 'e mail', 'mail', 'address', 'e mail address'],
        'login' => ['login', 'login name', 'user name'],
        'former' => ['former', 'former name', 'former family name', 'birth name', 'maiden name', 'previous name'],
        'passport' => ['passport', 'passport name', 'name in the passport', 'legal name', 'official name'],
        'script' => ['script', 'name in another script', 'native name', 'name in own script'],
        'stage' => ['stage', 'stage name', 'artist name'],
        'other' => ['other name', 'other names', 'also called', 'alias'],
    ];

    private const KINDS = [
        'learner' => 'learner',
        'pupil' => 'learner',
        'student' => 'learner',
        'staff' => 'staff',
        'teacher' => 'staff',
        'tutor' => 'staff',
        'guardian' => 'guardian',
        'parent' => 'guardian',
        'external' => 'external',
        'guest' => 'external',
    ];

    private const PARTICLES = [
        'al',
        'de',
        'del',
        'der',
        'den',
        'di',
        'da',
        'dos',
        'du',
        'el',
        'la',
        'las',
        'le',
        'los',
        'st',
        'van',
        'von',
        'ter',
        'ten',
        'bin',
        'ibn',
    ];

    private const LONGEST_NAME = 80;

    /** Before the code of a detail, among fields. */
    private const DETAIL = 'detail:';

    /**
     * @param list<NumberFormat>    $formats
     * @param array<string, string> $divisions names by code
     * @param string                $division  code, of rows that say none
     * @param PersonKind            $kind      of rows that say none
     * @param ?int                  $level     of learners whose row says none
     * @param LevelNames            $levels    what divisions call theirs
     * @param list<Detail>          $details   of which columns may be
     * @param list<OwnKind>         $kinds     of people, beside the four
     * @param ?string               $own       code of one of these, of rows that say no kind
     */
    public function __construct(
        private array $formats,
        private array $divisions,
        private string $division,
        private PersonKind $kind,
        private ?int $level = null,
        private LevelNames $levels = new LevelNames(new DivisionTree([])),
        private array $details = [],
        private array $kinds = [],
        private ?string $own = null,
    ) {}

    /**
     * @param int $most rows
     *
     * @return list<AccountDraft> one a row that is not empty
     *
     * @throws TooMuch
     */
    public function read(string $text, int $most = \PHP_INT_MAX - 1): array
    {
        $drafts = [];
        $columns = null;
        $first = true;
        foreach (Rows::of($text, $most + 1) as $number => $line) {
            $cells = Columns::cells(
                (string) preg_replace(
                    '/[\x{200B}-\x{200F}\x{202A}-\x{202E}\x{2060}-\x{2069}\x{FEFF}\x{00AD}]|(?!\t)\p{Cc}/u',
                    '',
                    $line,
                ),
            );
            if ([] === array_filter($cells, static fn(string $cell): bool => '' !== $cell)) {
                continue;
            }
            if ($first) {
                $columns = Columns::named($cells, $this->called());
                $first = false;
                if (null !== $columns) {
                    continue;
                }
            }
            if (\count($drafts) >= $most) {
                throw new TooMuch('too-many', $number);
            }
            $drafts[] = $this->draft(
                $number,
                trim($line),
                null === $columns ? $this->byLooks($cells) : self::byColumns($cells, $columns),
            );
        }

        return $drafts;
    }

    /**
     * @param list<string> $cells
     * @param list<string> $columns
     *
     * @return array<string, string> by field
     */
    private static function byColumns(array $cells, array $columns): array
    {
        $row = self::FIELDS;
        foreach ($columns as $place => $field) {
            if ('' !== $field) {
                $row[$field] = $cells[$place] ?? '';
            }
        }

        return $row;
    }

    /**
     * @param list<string> $cells
     *
     * @return array<string, string> by field
     */
    private function byLooks(array $cells): array
    {
        $row = self::FIELDS;
        $names = [];
        foreach ($cells as $cell) {
            $field = $this->looksLike($cell);
            if (null !== $field && '' === $row[$field]) {
                $row[$field] = $cell;
            } elseif ('' !== $cell) {
                $names[] = $cell;
            }
        }
        if (1 === \count($names)) {
            $row['name'] = $names[0];
        } else {
            [$row['given'], $row['family'], $row['preferred']] = [$names[0] ?? '', $names[1] ?? '', $names[2] ?? ''];
        }

        return $row;
    }

    private function looksLike(string $cell): ?string
    {
        $number = array_filter(
            $this->formats,
            static fn(NumberFormat $format): bool => NumberReading::Other !== $format->read($cell)
                && \strlen((string) preg_replace('/\D/', '', $cell)) >= 4,
        );

        return match (true) {
            str_contains($cell, '@') => 'email',
            [] !== $number, 1 === preg_match('/^[A-Z]{0,4}\d{4,}$/D', NumberFormat::bare($cell)) => 'number',
            1 === preg_match('/^(?:level\s*)?\d{1,2}$/Di', $cell), [] !== $this->levels->called($cell) => 'level',
            null !== $this->kindOf($cell) => 'kind',
            null !== Columns::among($cell, $this->divisions) => 'division',
            1 === preg_match('/^[a-z0-9]+(?:[._-][a-z0-9]+)+$/D', $cell) => 'login',
            default => null,
        };
    }

    /** @param array<string, string> $row by field */
    private function draft(int $number, string $text, array $row): AccountDraft
    {
        $problems = [];
        $wrong = static function (string $field, string $code) use (&$problems): void {
            $problems[] = ['field' => $field, 'code' => $code];
        };
        $name = '' === $row['name'] ? new NameParts($row['given'], $row['family']) : self::parted($row['name']);
        $given = $name->given;
        $family = $name->family;
        if ([] === Folding::tokens($given.' '.$family) || '' === $family || '' === $given) {
            $wrong('name', 'missing');
        }
        if (max(mb_strlen($given), mb_strlen($family), mb_strlen($row['preferred'])) > self::LONGEST_NAME) {
            $wrong('name', 'too-long');
        }
        $of = '' === $row['kind'] ? new KindOfRow($this->kind, $this->own) : $this->kindOf($row['kind']);
        if (null === $of) {
            $wrong('kind', 'unknown');
        }
        $kind = $of->kind ?? $this->kind;
        $division =
            '' === $row['division'] ? $this->division : (string) Columns::among($row['division'], $this->divisions);
        if ('' === $division) {
            $wrong('division', '' === $row['division'] ? 'missing' : 'unknown');
        }
        $email =
            '' === $row['email']
                ? null
                : mb_strtolower((string) preg_replace('/^.*<([^<>]*)>$|^mailto:/i', '$1', $row['email']));
        if (null !== $email && !self::isAddress($email)) {
            $wrong('email', 'not-an-address');
        }
        $login = '' === $row['login'] ? null : mb_strtolower($row['login']);
        if (
            null !== $login
            && 1 !== preg_match('/^[a-z0-9][a-z0-9._-]{1,'.(AccountDraft::LONGEST_LOGIN - 2).'}$/D', $login)
        ) {
            $wrong('login', 'not-a-login');
        }

        $further = self::further($row);
        if (\count($further) > FurtherName::MOST || self::isTooLong($further)) {
            $wrong('name', 'too-long');
        }
        $details = [];
        foreach ($this->details as $detail) {
            $value = $detail->read($row[self::DETAIL.$detail->code] ?? '');
            null === $value->problem || $wrong('details', $value->problem);
            $details = [...$details, ...null === $value->text ? [] : [$detail->code => $value->text]];
        }

        return new AccountDraft(
            $number,
            mb_substr($text, 0, 200),
            $given,
            $family,
            '' === $row['preferred'] || $row['preferred'] === $given ? null : $row['preferred'],
            $kind,
            $division,
            $this->level($row['level'], $division, $kind, $wrong),
            '' === $row['number'] ? null : $this->number($row['number'], $kind, $wrong),
            $email,
            $login,
            $problems,
            $of?->own,
            $details,
            $further,
        );
    }

    /**
     * @param array<string, string> $row by field
     *
     * @return list<FurtherName>
     */
    private static function further(array $row): array
    {
        $further = [];
        foreach (NameKind::cases() as $kind) {
            // Several of a kind stand in one cell, one behind the other.
            foreach (explode(' / ', $row[$kind->value]) as $name) {
                '' === trim($name) || ($further[] = FurtherName::read($kind, $name));
            }
        }

        return $further;
    }

    /** @param list<FurtherName> $names */
    private static function isTooLong(array $names): bool
    {
        $long = static fn(FurtherName $each): bool => mb_strlen($each->shown()) > FurtherName::LONGEST;

        return [] !== array_filter($names, $long);
    }

    /** @return array<string, list<string>> what columns are called, by field: the program's own words first */
    private function called(): array
    {
        $details = [];
        foreach ($this->details as $detail) {
            $details[self::DETAIL.$detail->code] = [Detail::fold($detail->name)];
        }

        return [...$details, ...self::CALLED];
    }

    /** What a cell says of which kind somebody is; null for nothing. */
    private function kindOf(string $cell): ?KindOfRow
    {
        foreach ($this->kinds as $own) {
            $like = PersonKind::tryFrom($own->like);
            if (null !== $like && '' !== $cell && Detail::fold($cell) === Detail::fold($own->name)) {
                return new KindOfRow($like, $own->code);
            }
        }
        $kind = PersonKind::tryFrom(self::KINDS[strtolower($cell)] ?? '');

        return null === $kind ? null : new KindOfRow($kind, null);
    }

    /** @param callable(string, string): void $wrong */
    private function level(string $typed, string $division, PersonKind $kind, callable $wrong): ?int
    {
        if ('' === $typed) {
            return PersonKind::Learner === $kind ? $this->level : null;
        }
        $level = $this->levels->of($typed, $division);
        if (null === $level) {
            $wrong('level', 'not-a-level');
        } elseif (PersonKind::Learner !== $kind) {
            $wrong('level', 'not-a-learner');
        }

        return $level;
    }

    /** @param callable(string, string): void $wrong */
    private function number(string $typed, PersonKind $kind, callable $wrong): string
    {
        $number = self::numberAs($typed, $kind, $this->formats, $code);
        if (null === $number) {
            $wrong('number', (string) $code);
        }

        return $number ?? NumberFormat::bare($typed);
    }

    /**
     * A number as it is stored.
     *
     * @param list<NumberFormat> $formats
     * @param ?string            $code    why it is none of such a person: "check-digit" or "not-a-number"
     */
    public static function numberAs(string $typed, PersonKind $kind, array $formats, ?string &$code): ?string
    {
        $own = array_filter($formats, static fn(NumberFormat $format): bool => \in_array($kind, $format->kinds, true));
        $readings = array_map(static fn(NumberFormat $format): NumberReading => $format->read($typed), $own);
        $bare = NumberFormat::bare($typed);
        if (
            \in_array(NumberReading::Fits, $readings, true)
            || ([] === $own && 1 === preg_match('/^[A-Z0-9]{3,32}$/D', $bare))
        ) {
            return $bare;
        }
        $code = \in_array(NumberReading::WrongCheckDigit, $readings, true) ? 'check-digit' : 'not-a-number';

        return null;
    }

    public static function isAddress(string $text): bool
    {
        return \strlen($text) <= 190 && false !== filter_var($text, \FILTER_VALIDATE_EMAIL);
    }

    /**
     * Given and family name of a name in one: "Family, Given", or the last word with the particles before it is the
     * family name.
     */
    private static function parted(string $name): NameParts
    {
        if (str_contains($name, ',')) {
            [$family, $given] = array_map(trim(...), explode(',', $name, 2));

            return new NameParts($given, $family);
        }
        $words = explode(' ', $name);
        $at = \count($words) - 1;
        while ($at > 1 && \in_array(strtolower($words[$at - 1]), self::PARTICLES, true)) {
            --$at;
        }

        return new NameParts(
            implode(' ', \array_slice($words, 0, $at)),
            implode(' ', \array_slice($words, $at)),
        );
    }
}
