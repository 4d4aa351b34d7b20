package verge.app.account;

/**
 * A person's sign-ins have ended: whatever is open by them ends at once.
 *
 * @param session of the sign-in
 * @param others whether all others of the person have ended and this one goes on, instead of this one
 */
public record SignedOut(String person, String session, boolean others) {
    public boolean concerns(String whose, String by) {
        return person.equals(whose) && others != session.equals(by);
    }
}
