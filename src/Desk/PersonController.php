<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Accounts\Accounts;
use MintDoor\Accounts\Erasure;
use MintDoor\Accounts\PasswordLinks;
use MintDoor\Accounts\Repository\PersonExport;
use MintDoor\Core\Accounts\AccountRows;
use MintDoor\Core\People\FurtherName;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Text\Folding;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Messages\AccountNews;
use MintDoor\Messages\Budgets;
use MintDoor\Messages\Notices;
use MintDoor\People\Facts;
use MintDoor\People\PersonFacts;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\People;
use MintDoor\People\Repository\PersonNotes;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Caring;
use MintDoor\Roster\PersonGate;
use MintDoor\Shared\Answer;
use MintDoor\Shared\ApplyRequest;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\FieldErrors;
use MintDoor\Shared\Id;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
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
 */
final readonly class PersonController
{
    private const FIELDS = [
        'given' => 'given name',
        'family' => 'family name',
        'preferred' => 'preferred name',
        'further' => 'other names',
        'email' => 'e-mail address',
        'ownKind' => 'kind of person',
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
        private People $people,
        private Transaction $transaction,
        private PlatformClock $clock,
        private History $history,
        private PlatformSettings $settings,
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
                'desk.only-administrators-division-change',
            );
            IfMatch::of($request)->assert($row->int('version'));
            $facts = $this->checked($row, $body);
            $changed = $facts->changes(Facts::ofRow($row));
            if ([] !== $changed) {
                $this->facts->write($person, $facts);
                $this->history->write(
                    History::PLATFORM,
                    $caller,
                    new Happening('person-changed', ['fields' => $changed], $person),
                );
                $told = [
                    'fields' => implode(
                        ', ',
                        array_map(static fn(string $field): string => self::FIELDS[$field] ?? $field, $changed),
                    ),
                ];
                $this->notices->tell(
                    [
                        new AccountNews($this->accounts->row($person), 'facts', $told),
                        // The address of before is told, too: whoever takes one over does not go unseen.
                        ...\in_array('email', $changed, true) && null !== $row->stringOrNull('email')
                            ? [new AccountNews($row, 'facts', $told, $row->string('email'))]
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
            $this->notes->write($person, trim($body->text), $caller->id, $this->clock->instant());

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
            $found = $this->notes->about($this->gate->everyId($person), $note) ?? throw Problem::notFound('note');
            $administers = $this->caring->caretaker($caller)->mayClose(PersonRow::person($row));
            if (!$administers && $found->madeBy->id !== $caller->id) {
                throw Problem::notAllowed('desk.only-wrote-note-takes');
            }
            $found->takenBack = $request->isMethod('DELETE');
            $this->notes->flush();

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
    #[Expensive]
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
                'desk.only-administrators-division-hand',
            );
            $this->history->write(History::PLATFORM, $caller, new Happening('person-exported', person: $person));

            return new Answer([]);
        });

        // It may be much: it is sent while it is read.
        return new StreamedJsonResponse(['parts' => $this->export->of($this->gate->everyId($person))]);
    }

    #[Expensive]
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

        return (new Answer($page))->versioned($page->version);
    }

    /** @throws Problem of type `Invalid` */
    private function checked(Row $row, FactsRequest $body): Facts
    {
        $text = static fn(?string $typed): ?string => '' === trim((string) $typed) ? null : trim((string) $typed);
        $kind = PersonKind::from($row->string('person_kind'));
        $email = $text($body->email);
        $email = null === $email ? null : mb_strtolower($email);
        $number = $text($body->number);
        [$given, $family] = [trim($body->given), trim($body->family)];
        $errors = new FieldErrors();
        if ([] === Folding::tokens($given.' '.$family)) {
            $errors->add('given', 'no-letters', 'desk.write-name-letters');
        }
        if (null !== $body->level && PersonKind::Learner !== $kind) {
            $errors->add('level', 'not-a-learner', 'desk.only-learners-level-leave');
        }
        if (null !== $number && $number !== $row->stringOrNull('number')) {
            $number = AccountRows::numberAs($number, $kind, $this->roles->rules()->numbers, $code) ?? $number;
            null === $code
                || $errors->add(
                    'number',
                    $code,
                    'check-digit' === $code
                        ? 'desk.check-digit-number-wrong'
                        : 'desk.number-such-person-written',
                );
            null !== $code
                || $this->free(
                    'number',
                    $number,
                    $row,
                    $errors,
                    'desk.somebody-number-already-if',
                );
        }
        if (null !== $email && $email !== $row->stringOrNull('email')) {
            AccountRows::isAddress($email)
                || $errors->add('email', 'not-an-address', 'desk.no-e-mail-address');
            $this->free(
                'email',
                $email,
                $row,
                $errors,
                'desk.somebody-address-already-two',
            );
        }
        $own = array_column($this->settings->asPut()->kinds, null, 'code')[$body->ownKind ?? ''] ?? null;
        if (null !== $body->ownKind && $own?->like !== $kind->value) {
            $errors->add('ownKind', 'unknown', 'shared.no-such-kind-person');
        }
        $errors->check();

        return new Facts(
            $given,
            $family,
            $text($body->preferred),
            FurtherName::distinct(
                array_map(static fn(FurtherNameRequest $each): FurtherName => $each->name(), $body->further),
            ),
            $body->level,
            $number,
            $email,
            $own?->code,
        );
    }

    /**
     * @param 'number'|'email' $field
     */
    private function free(string $field, string $value, Row $row, FieldErrors $errors, string $sentence): void
    {
        if ($this->people->isTaken($field, $value, $row->id('person_id'))) {
            $errors->add($field, 'taken', $sentence);
        }
    }
}
