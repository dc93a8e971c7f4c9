<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Doctrine\DBAL\Connection;
use MintDoor\Accounts\Accounts;
use MintDoor\Accounts\Erasure;
use MintDoor\Accounts\PasswordLinks;
use MintDoor\Accounts\PersonExport;
use MintDoor\Core\Accounts\AccountRows;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Text\Folding;
use MintDoor\History\History;
use MintDoor\Messages\Budgets;
use MintDoor\Messages\Notices;
use MintDoor\People\PersonFacts;
use MintDoor\People\PersonNotes;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Caring;
use MintDoor\Roster\PersonGate;
use MintDoor\Shared\Answer;
use MintDoor\Shared\ApplyRequest;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Dear;
use MintDoor\Shared\FieldErrors;
use MintDoor\Shared\Id;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\Row;
use MintDoor\Shared\SecurityLog;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedJsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/**
 * Somebody's page: who they are, corrections of it, notes of staff, all that is held about them, and erasing them.
 *
 * @phpstan-import-type Facts from PersonFacts
 */
final readonly class PersonController
{
    private const FIELDS = [
        'given' => 'given name',
        'family' => 'family name',
        'preferred' => 'preferred name',
        'former' => 'former name',
        'email' => 'e-mail address',
    ];

    public function __construct(
        private Accounts $accounts,
        private PersonPage $page,
        private PersonGate $gate,
        private Caring $caring,
        private Notices $notices,
        private SecurityLog $log,
        private PersonFacts $facts,
        private PersonNotes $notes,
        private PersonExport $export,
        private Erasure $erasure,
        private PasswordLinks $links,
        private Budgets $budgets,
        private Roles $roles,
        private Connection $db,
        private Transaction $transaction,
        private History $history,
    ) {}

    #[Route('/people/{person}', name: 'person', requirements: ['person' => Id::PATTERN], methods: ['GET'])]
    public function look(string $person, #[CurrentUser] Caller $caller): Response
    {
        $answer = $this->answer($person, $caller);
        if ($person !== $caller->id && !$this->gate->sharesSite($person, $caller)) {
            $this->log->note('page-outside', $person, $caller->id);
        }

        return $answer;
    }

    #[Route('/people/{person}', name: 'change_person', requirements: ['person' => Id::PATTERN], methods: ['PUT'])]
    public function change(
        string $person,
        #[MapRequestPayload] FactsRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run($request, $caller, [], function () use (
            $person,
            $body,
            $request,
            $caller,
        ): Answer {
            $row = $this->gate->administered(
                $person,
                $caller,
                'Only administrators of their division change names, numbers and addresses.',
            );
            IfMatch::check($request, $row->int('version'));
            $facts = $this->checked($row, $body);
            $changed = array_keys(
                array_diff_assoc(
                    array_map(strval(...), array_filter($facts, is_scalar(...)))
                        + array_fill_keys(array_keys($facts), ''),
                    array_map(strval(...), array_filter(PersonFacts::of($row), is_scalar(...)))
                        + array_fill_keys(array_keys($facts), ''),
                ),
            );
            if ([] !== $changed) {
                $this->facts->write($person, $facts);
                $this->history->write(
                    History::PLATFORM,
                    $caller,
                    [['person-changed', ['fields' => $changed], $person]]
                );
                $told = [
                    'fields' => implode(
                        ', ',
                        array_map(static fn(string $field): string => self::FIELDS[$field] ?? $field, $changed),
                    ),
                ];
                $this->notices->tell(
                    [
                        [$this->accounts->row($person), 'facts', $told],
                        // The address of before is told, too: whoever takes one over does not go unseen.
                        ...\in_array('email', $changed, true) && null !== $row->stringOrNull('email')
                            ? [[$row, 'facts', $told, $row->string('email')]]
                            : [],
                    ],
                    $caller,
                );
            }

            return $this->answer($person, $caller);
        });
    }

    #[Route('/people/{person}/notes', name: 'write_note', requirements: ['person' => Id::PATTERN], methods: ['POST'])]
    public function write(
        string $person,
        #[MapRequestPayload] NoteRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run($request, $caller, [], function () use ($person, $body, $caller): Answer {
            $this->gate->cared($person, $caller);
            $this->notes->write($person, trim($body->text), $caller);

            return $this->answer($person, $caller);
        });
    }

    /** Takes a note back, or puts it back. */
    #[Route(
        '/people/{person}/notes/{note}',
        name: 'take_note_back',
        requirements: ['person' => Id::PATTERN, 'note' => Id::PATTERN],
        methods: ['DELETE', 'PUT'],
    )]
    public function takeNoteBack(
        string $person,
        string $note,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run($request, $caller, [], function () use (
            $person,
            $note,
            $request,
            $caller,
        ): Answer {
            $row = $this->gate->cared($person, $caller);
            $this->notes->takeBack(
                $this->gate->everyId($person),
                $note,
                $request->isMethod('DELETE'),
                $this->caring->caretaker($caller)->mayClose(PersonRow::person($row)),
                $caller,
            );

            return $this->answer($person, $caller);
        });
    }

    #[Route(
        '/people/{person}/password-link',
        name: 'send_password_link',
        requirements: ['person' => Id::PATTERN],
        methods: ['POST'],
    )]
    public function sendLink(string $person, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->transaction->run($request, $caller, [], function () use ($person, $caller): Answer {
            $this->links->send($person, $caller);

            return new Answer(['sent' => true, 'left' => $this->budgets->linksLeft($caller->id)]);
        });
    }

    /** Writes to the history that it was asked for; so it is no GET. */
    #[Dear]
    #[Route(
        '/people/{person}/export',
        name: 'export_person',
        requirements: ['person' => Id::PATTERN],
        methods: ['POST'],
    )]
    public function everything(string $person, Request $request, #[CurrentUser] Caller $caller): Response
    {
        // All of it would be kept beside the key.
        $request->headers->remove('Idempotency-Key');

        $this->transaction->run($request, $caller, [], function () use ($person, $caller): Answer {
            $this->gate->administered(
                $person,
                $caller,
                'Only administrators of their division hand out what is held about somebody.',
            );
            $this->history->write(History::PLATFORM, $caller, [['person-exported', [], $person]]);

            return new Answer([]);
        });

        // It may be much: it is sent while it is read.
        return new StreamedJsonResponse(['parts' => $this->export->of($this->gate->everyId($person))]);
    }

    #[Dear]
    #[Route(
        '/people/{person}/erasure',
        name: 'erase_person',
        requirements: ['person' => Id::PATTERN],
        methods: ['POST'],
    )]
    public function erase(
        string $person,
        #[MapRequestPayload] ApplyRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $body->apply
            ? $this->transaction->run(
                $request,
                $caller,
                [],
                fn(): Answer => new Answer($this->erasure->of($person, true, $caller)),
            )
            : new Answer($this->erasure->of($person, false, $caller));
    }

    private function answer(string $person, Caller $caller): Answer
    {
        $page = $this->page->of($person, $caller);

        return (new Answer($page))->versioned(\is_int($page['version']) ? $page['version'] : 0);
    }

    /** @return Facts */
    private function checked(Row $row, FactsRequest $body): array
    {
        $text = static fn(?string $typed): ?string => '' === trim((string) $typed) ? null : trim((string) $typed);
        $kind = PersonKind::from($row->string('person_kind'));
        $facts = [
            'given' => trim($body->given),
            'family' => trim($body->family),
            'preferred' => $text($body->preferred),
            'former' => $text($body->former),
            'level' => $body->level,
            'number' => $text($body->number),
            'email' => null === $text($body->email) ? null : mb_strtolower((string) $text($body->email)),
        ];
        $errors = new FieldErrors();
        if ([] === Folding::tokens($facts['given'].' '.$facts['family'])) {
            $errors->add('given', 'no-letters', 'Write a name with letters in it.');
        }
        if (null !== $facts['level'] && PersonKind::Learner !== $kind) {
            $errors->add('level', 'not-a-learner', 'Only learners have a level. Leave it empty.');
        }
        if (null !== $facts['number'] && $facts['number'] !== $row->stringOrNull('number')) {
            $facts['number'] =
                AccountRows::numberAs($facts['number'], $kind, $this->roles->rules()->numbers, $code)
                ?? $facts['number'];
            null === $code
                || $errors->add(
                    'number',
                    $code,
                    'check-digit' === $code
                        ? 'The check digit of this number is wrong, so it is mistyped somewhere. Look at it again.'
                        : 'A number of such a person is written otherwise. See Rules, Numbers.',
                );
            null !== $code
                || $this->free(
                    'number',
                    $facts['number'],
                    $row,
                    $errors,
                    'Somebody has this number already. If it is the same person, merge the two.',
                );
        }
        if (null !== $facts['email'] && $facts['email'] !== $row->stringOrNull('email')) {
            AccountRows::isAddress($facts['email'])
                || $errors->add('email', 'not-an-address', 'This is no e-mail address. Write it as name@example.org.');
            $this->free(
                'email',
                $facts['email'],
                $row,
                $errors,
                'Somebody has this address already, and two people cannot sign in with one. If it is the same person, '
                    .'merge the two.',
            );
        }
        $errors->check();

        return $facts;
    }

    /**
     * @param 'number'|'email' $field
     */
    private function free(string $field, string $value, Row $row, FieldErrors $errors, string $sentence): void
    {
        if (
            false
            !== $this->db->fetchOne("SELECT 1 FROM person WHERE $field = ? AND id <> ?", [
                $value,
                Id::binary($row->id('person_id')),
            ])
        ) {
            $errors->add($field, 'taken', $sentence);
        }
    }
}
