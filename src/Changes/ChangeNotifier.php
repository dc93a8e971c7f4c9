<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\Verb;
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
     * @param array<int, ComputedLine> $lines as they were applied
     * @param ?string                  $words of whoever applies them; null tells nobody
     */
    public function lines(SiteAccess $access, array $lines, StoredChanges $stored, ?string $words): void
    {
        $this->room->withdraw(
            'line_id',
            array_values(array_filter(array_map(static fn(ComputedLine $line): ?string => $line->undoes, $lines))),
        );
        if (null === $words) {
            return;
        }
        $messages = $templates = [];
        foreach ($lines as $key => $line) {
            $kind = Verb::tryFrom($line->verb)?->toldAs();
            // Who waits for a yes cannot enter yet.
            if (null === $kind || 'mail' !== self::how($line->verb, $line->person) || $line->waitsAfter()) {
                continue;
            }
            $language = $line->person->string('person_language');
            $template = $templates[$kind->value][$language] ??= $this->texts->nearest(
                $kind,
                $access->site->id,
                $access->site->division,
                $language,
            )->template;
            $messages[] = new Outgoing(
                $kind,
                $line->personId(),
                $line->person->string('email'),
                $template->fill(
                    $this->values->ofSite($access, $line->person, $line->change?->after, $words),
                    $language,
                ),
                'line:'.$stored->lines[$key]->line,
                $access->site->id,
                $stored->changeList,
                $key,
                $stored->lines[$key]->line,
            );
        }
        $this->room->queue($messages, $access->caller->id);
    }
}
