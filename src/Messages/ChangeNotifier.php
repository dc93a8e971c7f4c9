<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Changes\StoredLine;
use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Time\Time;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Row;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * Tells people what a change list did to them, in the words of the nearest template and those of whoever applied it.
 */
final readonly class ChangeNotifier
{
    public function __construct(
        private Messages $room,
        private Texts $texts,
        private Roles $roles,
        #[Autowire('%env(MINT_DOOR_NAME)%')] private string $platform,
    ) {}

    /**
     * How somebody would be told of a change.
     *
     * @return 'mail'|'no-address'|'no-account'|null null where nobody is told of such a change
     */
    public static function how(string $verb, Row $person): ?string
    {
        return match (true) {
            null === self::kind($verb) => null,
            null === $person->stringOrNull('email') => 'no-address',
            default => null === $person->stringOrNull('login') ? 'no-account' : 'mail',
        };
    }

    private static function kind(string $verb): ?MessageKind
    {
        $known = Verb::tryFrom($verb);

        return $known?->toldAs();
    }

    /**
     * Queues what the lines of a change list tell, and withdraws what lines that were taken back had told. Runs in
     * their transaction.
     *
     * @param array<array-key, StoredLine>                    $lines  as they were applied
     * @param array<int, Row>                                 $people one a line
     * @param array<array-key, array{line: string, ...}>      $stored ids of the lines
     * @param ?string                                         $words  of whoever applies them; null tells nobody
     */
    public function lines(
        SiteAccess $access,
        array $lines,
        array $people,
        array $stored,
        string $changeList,
        ?string $words,
    ): void {
        $this->room->withdraw(
            'line_id',
            array_values(array_filter(array_map(static fn(StoredLine $line): ?string => $line->undoes, $lines))),
        );
        if (null === $words) {
            return;
        }
        $messages = $templates = [];
        foreach ($lines as $key => $line) {
            $person = $people[(int) $key];
            $kind = self::kind($line->verb);
            // Who waits for a yes cannot enter yet.
            if (
                null !== $kind
                && 'mail' === self::how($line->verb, $person)
                && State::Waiting !== $line->line->after?->state
            ) {
                $template = $templates[$kind->value] ??= $this->texts->nearest(
                    $kind,
                    $access->site->id,
                    $access->site->division,
                )[0];
                $messages[] = new Outgoing(
                    $kind,
                    $line->personId,
                    $person->string('email'),
                    $template->fill($this->ofSite($access, $person, $line->line->after, $words)),
                    'line:'.$stored[$key]['line'],
                    $access->site->id,
                    $changeList,
                    (int) $key,
                    $stored[$key]['line'],
                );
            }
        }
        $this->room->queue($messages, $access->caller->id);
    }

    /**
     * Tells people of their new accounts.
     *
     * @param list<array{person: Row, position: int}> $made
     */
    public function accounts(array $made, string $changeList, ?string $words, Caller $by): void
    {
        $messages = $templates = [];
        foreach (null === $words ? [] : $made as ['person' => $person, 'position' => $position]) {
            $address = $person->stringOrNull('email');
            if (null !== $address) {
                $template = $templates[$person->string('person_division')] ??= $this->texts->nearest(
                    MessageKind::Welcome,
                    null,
                    $person->string('person_division'),
                )[0];
                $messages[] = new Outgoing(
                    MessageKind::Welcome,
                    $person->id('person_id'),
                    $address,
                    $template->fill($this->welcome($person, $by, (string) $words)),
                    'account:'.$person->id('person_id'),
                    changeList: $changeList,
                    position: $position,
                );
            }
        }
        $this->room->queue($messages, $by->id);
    }

    /** @return array<string, string> values for the placeholders of messages about a site */
    public function ofSite(SiteAccess $access, Row $person, ?Segment $after, string $words): array
    {
        $role = $this->roles->book()->pick($after->roles ?? [])[0] ?? null;
        $until =
            null === $after || $after->window->until >= Time::FOREVER
                ? ''
                : ' until '
                    .(new \DateTimeImmutable('@'.($after->window->until - 1)))
                        ->setTimezone($access->zone())
                        ->format('j F Y');

        return [
            ...$this->ofPerson($person),
            'site' => $access->row->string('title'),
            'role' => null === $role ? '' : mb_strtolower($role->name),
            'until' => $until,
            'by' => $access->caller->name,
            'words' => $words,
        ];
    }

    /** @return array<string, string> */
    public function welcome(Row $person, Caller $by, string $words): array
    {
        return [
            ...$this->ofPerson($person),
            'division' => $person->string('person_division_name'),
            'by' => $by->name,
            'words' => $words,
        ];
    }

    /** A link to set a password, at once. */
    public function password(Row $person, string $cause, ?string $by): void
    {
        $this->room->queue(
            [
                new Outgoing(
                    MessageKind::Password,
                    $person->id('person_id'),
                    $person->string('email'),
                    $this->texts
                        ->nearest(MessageKind::Password, null, $person->string('person_division'))[0]
                        ->fill($this->ofPerson($person)),
                    $cause,
                ),
            ],
            $by,
            held: false,
        );
    }

    /** @return array<string, string> */
    public function ofPerson(Row $person): array
    {
        return [
            'name' => PersonRow::name($person),
            'given' => $person->stringOrNull('preferred_name') ?? $person->string('given_name'),
            'login' => $person->string('login'),
            'platform' => $this->platform,
        ];
    }
}
