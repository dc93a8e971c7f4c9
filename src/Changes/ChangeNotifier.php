<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Roster\State;
use MintDoor\Messages\Messages;
use MintDoor\Messages\MessageValues;
use MintDoor\Messages\Outgoing;
use MintDoor\Messages\Texts;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Row;

/**
 * Tells people what a change list did to them, in the words of the nearest template and those of whoever applied it.
 */
final readonly class ChangeNotifier
{
    public function __construct(
        private Messages $room,
        private Texts $texts,
        private MessageValues $values,
    ) {}

    /**
     * How somebody would be told of a change.
     *
     * @return 'mail'|'no-address'|'no-account'|null null where nobody is told of such a change
     */
    public static function how(string $verb, Row $person): ?string
    {
        return match (true) {
            null === Verb::tryFrom($verb)?->toldAs() => null,
            null === $person->stringOrNull('email') => 'no-address',
            default => null === $person->stringOrNull('login') ? 'no-account' : 'mail',
        };
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
            $kind = Verb::tryFrom($line->verb)?->toldAs();
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
                    $template->fill($this->values->ofSite($access, $person, $line->line->after, $words)),
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
}
