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

    public function __construct(private SecurityLog $log, private TokenStorageInterface $tokens) {}

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
        $event->setResponse($problem->response());
        $event->allowCustomResponseCode();
    }

    /** Whoever is not signed in is told so before anything of them is remembered in a session. */
    #[AsEventListener(priority: 2)]
    public function notSignedIn(ExceptionEvent $event): void
    {
        $thrown = $event->getThrowable();
        if ($thrown instanceof AccessDeniedException && null === $this->tokens->getToken()) {
            $event->setResponse(self::signInFirst()->response());
            $event->allowCustomResponseCode();
        }
    }

    private static function signInFirst(): Problem
    {
        return new Problem(ProblemType::NotSignedIn, 'Sign in to go on.');
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
                'This value is of the wrong kind here.',
            ),
            $inner instanceof PartialDenormalizationException => Problem::field(
                '',
                'type',
                'A value is of the wrong kind here.',
            ),
            $thrown instanceof AuthenticationException => self::signInFirst(),
            $thrown instanceof AccessDeniedException => Problem::notAllowed('You may not do this.'),
            $thrown instanceof HttpExceptionInterface => $this->http($thrown),
            $thrown instanceof RequestExceptionInterface => new Problem(
                ProblemType::Malformed,
                'The request cannot be read. Reload the page and try again.',
            ),
            Outage::is($thrown) => Problem::away(),
            $thrown instanceof DriverException && \in_array($thrown->getCode(), self::UNFIT, true) => new Problem(
                ProblemType::Invalid,
                'This is not one of the values that are possible here.',
            ),
            default => $this->unexpected(),
        };
    }

    private function unknown(ExtraAttributesException $thrown): Problem
    {
        return new Problem(
            ProblemType::Invalid,
            \sprintf(
                'There is nothing called "%s" here. Nothing was done.',
                mb_substr($thrown->getExtraAttributes()[0] ?? '', 0, 60),
            ),
            array_map(
                static fn(string $member): array => [
                    'pointer' => '/'.mb_substr($member, 0, 60),
                    'code' => 'unknown-member',
                    'detail' => 'Leave this out.',
                ],
                array_values($thrown->getExtraAttributes()),
            ),
        );
    }

    private function invalid(ValidationFailedException $failed): Problem
    {
        $errors = [];
        foreach ($failed->getViolations() as $violation) {
            $errors[] = [
                'pointer' => $this->pointer($violation->getPropertyPath()),
                'code' => 'value',
                'detail' => (string) $violation->getMessage(),
            ];
        }

        return new Problem(
            ProblemType::Invalid,
            $errors[0]['detail'] ?? 'Something in it needs another look.',
            $errors,
        );
    }

    /** `lines[0].role` as a JSON pointer (RFC 6901). */
    private function pointer(string $path): string
    {
        return '' === $path ? '' : '/'.strtr($path, ['[' => '/', ']' => '', '.' => '/']);
    }

    private function http(HttpExceptionInterface&\Throwable $thrown): Problem
    {
        return match ($thrown->getStatusCode()) {
            401 => new Problem(ProblemType::NotSignedIn, 'Sign in to go on.'),
            403 => Problem::notAllowed('You may not do this.'),
            404 => Problem::notFound(),
            405 => new Problem(ProblemType::MethodNotAllowed, 'This cannot be done at this address.'),
            413 => new Problem(ProblemType::TooLarge, 'That is more than fits in one request. Send less at a time.'),
            415 => new Problem(ProblemType::UnsupportedMediaType, 'Send JSON, and say so in Content-Type.'),
            422 => new Problem(ProblemType::Invalid, 'A value is missing or of the wrong kind.'),
            400 => new Problem(ProblemType::Malformed, 'The request cannot be read. Reload the page and try again.'),
            default => $this->unexpected(),
        };
    }

    private function unexpected(): Problem
    {
        return new Problem(
            ProblemType::Unexpected,
            'Something went wrong on our side. Reload the page to see what is so now, then try again;'
                .' if it stays so, tell your administrator.',
        );
    }
}
