<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Doctrine\DBAL\Exception\DriverException;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Exception\RequestExceptionInterface;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Serializer\Exception\ExtraAttributesException;
use Symfony\Component\Serializer\Exception\NotNormalizableValueException;
use Symfony\Component\Serializer\Exception\PartialDenormalizationException;
use Symfony\Component\Validator\Exception\ValidationFailedException;

/** Turns whatever is thrown into a problem document; for `/api` paths the answer is always JSON. */
#[AsEventListener(priority: -50)]
final readonly class ProblemListener
{
    /** Of the database: characters or a date that the column they are compared with cannot have. */
    private const UNFIT = [1267, 1292, 1366, 1525];

    public function __construct(
        private SecurityLog $log,
        private TokenStorageInterface $tokens,
        private Speech $speech,
    ) {}

    public function __invoke(ExceptionEvent $event): void
    {
        $problem = $this->problem($event->getThrowable());
        $caller = $this->tokens->getToken()?->getUser();
        if (\in_array($problem->type, [ProblemType::NotAllowed, ProblemType::TooManyTries], true)) {
            $route = $event->getRequest()->attributes->get('_route');
            $this->log->note(
                'refused',
                by: $caller instanceof Caller ? $caller->id : null,
                data: [
                    'route' => \is_string($route) ? $route : '',
                    'why' => $problem->type->value,
                ],
            );
        }
        if ($problem->type->status() >= 500) {
            // Nobody is signed out because they could not be looked up for a moment: the session is left as it is.
            $event->getRequest()->attributes->remove('_security_firewall_run');
        }
        $event->setResponse($this->speech->answer($problem));
        $event->allowCustomResponseCode();
    }

    /** Whoever is not signed in is told so before anything of them is remembered in a session. */
    #[AsEventListener(priority: 2)]
    public function notSignedIn(ExceptionEvent $event): void
    {
        $thrown = $event->getThrowable();
        if ($thrown instanceof AccessDeniedException && null === $this->tokens->getToken()) {
            $event->setResponse($this->speech->answer(self::signInFirst()));
            $event->allowCustomResponseCode();
        }
    }

    private static function signInFirst(): Problem
    {
        return new Problem(ProblemType::NotSignedIn, 'shared.sign-go');
    }

    private function problem(\Throwable $thrown): Problem
    {
        $inner = $thrown->getPrevious();

        return match (true) {
            $thrown instanceof Problem => $thrown,
            $inner instanceof Problem => $inner,
            $inner instanceof ValidationFailedException => $this->invalid($inner),
            $thrown instanceof ExtraAttributesException => $this->unknown($thrown),
            $inner instanceof ExtraAttributesException => $this->unknown($inner),
            $inner instanceof NotNormalizableValueException => Problem::field(
                $this->pointer((string) $inner->getPath()),
                'type',
                'shared.value-wrong-kind',
            ),
            $inner instanceof PartialDenormalizationException => Problem::field('', 'type', 'shared.value-wrong-kind'),
            $thrown instanceof AuthenticationException => self::signInFirst(),
            $thrown instanceof AccessDeniedException => Problem::notAllowed('shared.not'),
            $thrown instanceof HttpExceptionInterface => $this->http($thrown),
            $thrown instanceof RequestExceptionInterface => new Problem(
                ProblemType::Malformed,
                'shared.request-cannot-read-reload',
            ),
            Outage::is($thrown) => Problem::away(),
            $thrown instanceof DriverException && \in_array($thrown->getCode(), self::UNFIT, true) => new Problem(
                ProblemType::Invalid,
                'shared.not-values-possible',
            ),
            default => $this->unexpected(),
        };
    }

    private function unknown(ExtraAttributesException $thrown): Problem
    {
        $members = array_map(
            static fn(string $member): string => mb_substr($member, 0, 60),
            array_values($thrown->getExtraAttributes()),
        );

        return new Problem(
            ProblemType::Invalid,
            Said::with('shared.unknown-member', name: $members[0] ?? ''),
            array_map(
                static fn(string $member): Wrong => new Wrong('/'.$member, 'unknown-member', 'shared.leave-out'),
                $members,
            ),
        );
    }

    private function invalid(ValidationFailedException $failed): Problem
    {
        $errors = [];
        foreach ($failed->getViolations() as $violation) {
            $errors[] = new Wrong($this->pointer($violation->getPropertyPath()), 'value', Violated::said($violation));
        }

        return new Problem(ProblemType::Invalid, $errors[0]->said ?? 'shared.something-needs-another-look', $errors);
    }

    /** `lines[0].role` as a JSON pointer (RFC 6901). */
    private function pointer(string $path): string
    {
        return '' === $path ? '' : '/'.strtr($path, ['[' => '/', ']' => '', '.' => '/']);
    }

    private function http(HttpExceptionInterface&\Throwable $thrown): Problem
    {
        return match ($thrown->getStatusCode()) {
            401 => new Problem(ProblemType::NotSignedIn, 'shared.sign-go'),
            403 => Problem::notAllowed('shared.not'),
            404 => Problem::notFound(),
            405 => new Problem(ProblemType::MethodNotAllowed, 'shared.cannot-done-address'),
            413 => new Problem(ProblemType::TooLarge, 'shared.more-fits-request-send'),
            415 => new Problem(ProblemType::UnsupportedMediaType, 'shared.send-json-say-content'),
            422 => new Problem(ProblemType::Invalid, 'shared.value-missing-wrong-kind'),
            400 => new Problem(ProblemType::Malformed, 'shared.request-cannot-read-reload'),
            default => $this->unexpected(),
        };
    }

    private function unexpected(): Problem
    {
        return new Problem(ProblemType::Unexpected, 'shared.something-went-wrong-our');
    }
}
